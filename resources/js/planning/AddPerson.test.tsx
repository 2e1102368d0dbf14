import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { AddPerson } from './AddPerson';
import { EntriesProvider, useFinishEntries } from './entries';
import { sessionQuery } from '../people/session';
import { sampleSession } from './samples';

const person = (id: string, name: string | null, email: string, kind = 'colleague') => ({
  id,
  kind,
  name,
  email,
  job: null,
  zone: null,
  city: 'Lisbon',
  language: 'en',
  hours: {},
  hoursAssumed: true,
  country: null,
  region: null,
  left: false,
  initials: 'IV',
});
const read = (typed: string, address: string | null, problem: string | null = null, name: string | null = null) => ({
  typed,
  address,
  name,
  problem,
  suggestion: problem === 'bad_domain' ? 'rosa@anden.example' : null,
  message: problem === null ? null : 'What stands after the @ cannot be.',
});
const answers: Record<string, unknown> = {};

beforeEach(() => {
  vi.stubGlobal('fetch', async (url: string) => {
    const key = Object.keys(answers).find((path) => url.startsWith(path));
    return new Response(JSON.stringify(key ? answers[key] : []), { status: 200 });
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
  for (const key of Object.keys(answers)) {
    delete answers[key];
  }
});

const signedIn = () => {
  const client = new QueryClient();
  client.setQueryData(sessionQuery.queryKey, sampleSession());
  return client;
};

const field = (add = vi.fn(), taken: string[] = [], several = false) => {
  render(
    <QueryClientProvider client={signedIn()}>
      <AddPerson taken={taken} add={add} several={several} />
    </QueryClientProvider>,
  );
  return screen.getByRole('combobox', { name: 'Add a person' });
};

describe('AddPerson', () => {
  it('takes the one that is marked, by keys alone', async () => {
    answers['/api/people/suggest'] = [person('1', 'Inês Varela', 'ines@x.example'), person('2', 'Inga Moe', 'inga@x.example')];
    const add = vi.fn();
    const input = field(add);
    fireEvent.change(input, { target: { value: 'in' } });
    await screen.findByRole('option', { name: /Inês Varela/ });
    fireEvent.keyDown(input, { key: 'ArrowDown' });
    fireEvent.keyDown(input, { key: 'Enter' });
    expect(add).toHaveBeenCalledExactlyOnceWith([expect.objectContaining({ id: '2' })]);
    expect(input).toHaveValue('');
  });

  it('takes everybody of an earlier meeting who is not in yet, in one press', async () => {
    answers['/api/people/of-meetings'] = [
      { id: 'm', title: 'Moss walk', people: [person('1', 'Inês Varela', 'ines@x.example'), person('2', 'Inga Moe', 'inga@x.example')] },
      { id: 'n', title: 'Moss count', people: [person('1', 'Inês Varela', 'ines@x.example')] },
    ];
    const add = vi.fn();
    fireEvent.change(field(add, ['1'], true), { target: { value: 'moss' } });
    fireEvent.click(await screen.findByRole('option', { name: /1 person of Moss walk/ }));
    expect(add).toHaveBeenCalledExactlyOnceWith([expect.objectContaining({ id: '2' })]);
    expect(screen.queryByRole('option', { name: /Moss count/ })).toBeNull();
  });

  it('does not offer whoever is in already', async () => {
    answers['/api/people/suggest'] = [person('1', 'Inês Varela', 'ines@x.example')];
    fireEvent.change(field(vi.fn(), ['1']), { target: { value: 'ines' } });
    await screen.findByText('Everyone with that name is on the sheet already.');
    expect(screen.queryByRole('option')).toBeNull();
  });

  it('points out a slip and takes the address that was meant', async () => {
    answers['/api/guests/check'] = { addresses: [read('rosa@anden,example', null, 'bad_domain')] };
    answers['/api/guests'] = [person('9', null, 'rosa@anden.example', 'guest')];
    const add = vi.fn();
    fireEvent.change(field(add), { target: { value: 'rosa@anden,example' } });
    expect(await screen.findByRole('status')).toHaveTextContent('What stands after the @ cannot be.');
    fireEvent.click(await screen.findByRole('option', { name: 'Did you mean rosa@anden.example?' }));
    await waitFor(() => expect(add).toHaveBeenCalledExactlyOnceWith([expect.objectContaining({ email: 'rosa@anden.example' })]));
  });

  it('shows a block of addresses one by one, takes those that are fine and leaves the rest in the field', async () => {
    answers['/api/guests/check'] = {
      addresses: [
        read('a@x.example', 'a@x.example'),
        read('nobody', null, 'no_at'),
        read('Karl Drei <c@x.example>', 'c@x.example', null, 'Karl Drei'),
      ],
    };
    answers['/api/guests'] = [person('1', null, 'a@x.example', 'guest'), person('2', 'Karl Drei', 'c@x.example', 'guest')];
    const add = vi.fn();
    const input = field(add);
    fireEvent.change(input, { target: { value: 'a@x.example, nobody; Karl Drei <c@x.example>' } });
    expect(await screen.findByText('Karl Drei <c@x.example>')).toBeInTheDocument();
    fireEvent.click(await screen.findByRole('option', { name: 'Add these 2 people' }));
    await waitFor(() =>
      expect(add).toHaveBeenCalledExactlyOnceWith([expect.objectContaining({ id: '1' }), expect.objectContaining({ id: '2' })]),
    );
    expect(input).toHaveValue('nobody');
  });

  describe('when the sheet goes on to its next step', () => {
    const typed = async (text: string, add: () => void) => {
      let finish: () => Promise<boolean> = () => Promise.resolve(false);
      const Step = () => {
        finish = useFinishEntries();
        return null;
      };
      render(
        <QueryClientProvider client={signedIn()}>
          <EntriesProvider>
            <AddPerson taken={[]} add={add} />
            <Step />
          </EntriesProvider>
        </QueryClientProvider>,
      );
      const input = screen.getByRole('combobox', { name: 'Add a person' });
      fireEvent.change(input, { target: { value: text } });
      return { input, went: await act(() => finish()) };
    };

    it('takes an address that was typed and not entered', async () => {
      answers['/api/guests/check'] = { addresses: [read('a@x.example', 'a@x.example')] };
      answers['/api/guests'] = [person('1', null, 'a@x.example', 'guest')];
      const add = vi.fn();
      const { input, went } = await typed('a@x.example', add);
      expect(went).toBe(true);
      expect(add).toHaveBeenCalledExactlyOnceWith([expect.objectContaining({ id: '1' })]);
      expect(input).toHaveValue('');
    });

    it('stops and points at what could mean several things, or nothing', async () => {
      answers['/api/people/suggest'] = [person('1', 'Inês Varela', 'ines@x.example'), person('2', 'Inga Moe', 'inga@x.example')];
      const add = vi.fn();
      const { input, went } = await typed('in', add);
      expect(went).toBe(false);
      expect(add).not.toHaveBeenCalled();
      expect(input).toHaveFocus();
      expect(await screen.findByText(/not been added yet/)).toBeInTheDocument();
    });
  });
});
