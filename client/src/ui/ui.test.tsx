import { fireEvent, render, screen } from '@testing-library/react-native';
import { Choice } from './Choice';
import { Notice } from './Notice';

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
