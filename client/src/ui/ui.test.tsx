import { fireEvent, render as renderBare, screen } from '@testing-library/react-native';
import type { ReactElement } from 'react';
import { PersonProvider, useFaultWords, usePerson } from '@/person/PersonContext';
import { Choice } from './Choice';
import { Notice } from './Notice';
import { Text } from './Text';

const render = (element: ReactElement) => renderBare(<PersonProvider>{element}</PersonProvider>);

it('a choice says what it is for and which one is chosen', () => {
  const chosen: string[] = [];
  render(
    <Choice
      label="Shape"
      value="a"
      options={[
        { value: 'a', label: 'Round' },
        { value: 'b', label: 'Square' },
      ]}
      onChange={(value) => chosen.push(value)}
    />,
  );
  expect(screen.getByRole('radio', { name: 'Shape: Round', checked: true })).toBeTruthy();
  fireEvent.press(screen.getByRole('radio', { name: 'Shape: Square', checked: false }));
  expect(chosen).toEqual(['b']);
});

it('a notice has a word besides its shape and colour', async () => {
  render(<Notice level="stop" text="Warm it first." />);
  expect(await screen.findByText('Settle this')).toBeTruthy();
  expect(screen.getByText('Warm it first.')).toBeTruthy();
});

describe('whoever is at this device', () => {
  function Bow() {
    const faultWords = useFaultWords();
    return <Text>{faultWords('surface.too-far {"reachM":90,"mostM":33}')}</Text>;
  }
  function InFeet() {
    const { set } = usePerson();
    return (
      <Choice
        label="Lengths"
        value="mm"
        options={[{ value: 'in', label: 'Inches' }]}
        onChange={() => set({ length: 'in', language: 'pseudo' })}
      />
    );
  }
  it('reads every text in its own units and language, at once', async () => {
    render(
      <>
        <Bow />
        <InFeet />
      </>,
    );
    expect(await screen.findByText('laid flat it reaches 90.00 m from its origin: the most is 33.00 m')).toBeTruthy();
    fireEvent.press(screen.getByRole('radio'));
    expect(await screen.findByText(/^\[.*295\.3 .*108\.3 .*\]$/)).toBeTruthy();
  });
});
