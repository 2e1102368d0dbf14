import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { expect, it, vi } from 'vitest';
import { ChoiceWord, ListWord, NumberWord, TextWord } from './SettingWords';

const open = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
const type = (label: string, text: string) =>
  fireEvent.change(screen.getByLabelText(label, { selector: 'input' }), { target: { value: text } });
const save = () => screen.getByRole('button', { name: 'Save' });

function Number({ none, took }: { none?: string; took: (value: number | null) => void }) {
  const [value, setValue] = useState<number | null>(25);
  return (
    <>
      <NumberWord
        label="A large team"
        text={value === null ? 'never' : `${value} people`}
        value={value}
        least={2}
        most={100}
        disabled={false}
        {...(none === undefined ? {} : { none })}
        take={(now) => {
          took(now);
          setValue(now);
        }}
      />
      <button onClick={() => setValue(25)}>Back</button>
    </>
  );
}

it.each(['1', '101', '2.5', ''])('does not take %j for a number from 2 to 100', (typed) => {
  const took = vi.fn();
  render(<Number took={took} />);
  open('A large team: 25 people');
  type('A large team', typed);
  expect(screen.getByText('A whole number from 2 to 100.')).toBeInTheDocument();
  expect(save()).toBeDisabled();
  fireEvent.submit(save());
  expect(took).not.toHaveBeenCalled();
});

it('takes a number, and begins anew with what stands when it was put back', () => {
  const took = vi.fn();
  render(<Number took={took} />);
  open('A large team: 25 people');
  type('A large team', '30');
  fireEvent.submit(save());
  expect(took).toHaveBeenCalledWith(30);
  expect(screen.queryByLabelText('A large team', { selector: 'input' })).toBeNull();
  fireEvent.click(screen.getByText('Back'));
  open('A large team: 25 people');
  expect(screen.getByLabelText('A large team', { selector: 'input' })).toHaveValue(25);
});

it('takes nothing for no number where there need be none', () => {
  const took = vi.fn();
  render(<Number none="never" took={took} />);
  open('A large team: 25 people');
  type('A large team', '');
  fireEvent.submit(save());
  expect(took).toHaveBeenCalledWith(null);
  expect(screen.getByRole('button', { name: 'A large team: never' })).toBeInTheDocument();
});

it('takes words without the blanks about them, and none that are blank', () => {
  const took = vi.fn();
  render(<TextWord label="In emails we are" value="Sakura" disabled={false} take={took} />);
  open('In emails we are: Sakura');
  type('In emails we are', '   ');
  expect(save()).toBeDisabled();
  type('In emails we are', '  Savanna ');
  fireEvent.submit(save());
  expect(took).toHaveBeenCalledWith('Savanna');
});

it('takes a list however it is parted', () => {
  const took = vi.fn();
  render(<ListWord label="Hosts" hint="host:port" text="none" value={[]} disabled={false} take={took} />);
  open('Hosts: none');
  type('Hosts', 'a.example:80, b.example:443;c.example:1  ');
  fireEvent.submit(save());
  expect(took).toHaveBeenCalledWith(['a.example:80', 'b.example:443', 'c.example:1']);
});

it('takes a choice at once', () => {
  const took = vi.fn();
  render(
    <ChoiceWord
      label="Holidays"
      value="off"
      choices={[
        { value: 'off', name: 'days off', means: 'Nobody works.' },
        { value: 'on', name: 'days like any other', means: 'They are not looked at.' },
      ]}
      disabled={false}
      take={took}
    />,
  );
  open('Holidays: days off');
  fireEvent.click(screen.getByLabelText(/days like any other/));
  expect(took).toHaveBeenCalledWith('on');
  expect(screen.queryByRole('radio')).toBeNull();
});

it('is plain words for whoever may not change it', () => {
  render(<TextWord label="In emails we are" value="Sakura" disabled take={() => undefined} />);
  expect(screen.getByText('Sakura').tagName).toBe('STRONG');
  expect(screen.queryByRole('button')).toBeNull();
});
