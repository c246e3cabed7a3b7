import { type ComponentType, useEffect, useState } from 'react';
import { Action } from '@/ui/Action';
import { Waiting } from '@/ui/Screen';

type Screens = typeof import('.');

/** The screens, once they are here. */
let loaded: Screens | null = null;

/** Fetches the screens; asked again after it went wrong it tries again. */
export async function fetchScreens(): Promise<Screens> {
  loaded ??= await import('.');
  return loaded;
}

/** A route to a screen that is fetched when the first of them is opened. */
export function lazyScreen(name: keyof Screens): ComponentType {
  return function Route() {
    const { screens, error, again } = useScreens();
    const Screen = screens?.[name];
    if (Screen) return <Screen />;
    return <Waiting what="the screen" error={error} retry={<Action label="Try again" onPress={again} />} />;
  };
}

function useScreens() {
  const [screens, setScreens] = useState(loaded);
  const [error, setError] = useState<Error | null>(null);
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let wanted = true;
    setError(null);
    fetchScreens().then(
      (fetched) => wanted && setScreens(fetched),
      () => wanted && setError(new Error('This screen could not be fetched. Nothing you entered is lost.')),
    );
    return () => {
      wanted = false;
    };
  }, [tries]);
  return { screens, error, again: () => setTries((count) => count + 1) };
}
