import { useState } from 'react';

/** A gloved finger often taps twice: the second tap is not meant for the next step. */
const REST_MS = 700;

export function useRest(): [resting: boolean, rest: () => void] {
  const [resting, setResting] = useState(false);
  const rest = () => {
    setResting(true);
    setTimeout(() => setResting(false), REST_MS);
  };
  return [resting, rest];
}
