import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, expect, it, vi } from 'vitest';
import { ColumnTable } from './ColumnTable';
import type { Looked, Mapping } from './peopleFiles';

const file = (mapping: Mapping, over: Partial<Looked> = {}): Looked => ({
  id: 'i',
  name: 'people.csv',
  kind: 'csv',
  letters: 'UTF-8',
  delimiter: ';',
  hasHeading: true,
  mapping,
  columns: [
    { heading: 'Person', samples: ['Rosa Quispe'] },
    { heading: 'Post', samples: ['rosa@anden.example'] },
    { heading: 'Where', samples: ['Lima'] },
  ],
  look: { counts: { new: 1, changed: 0, same: 0, refused: 0 }, refused: [] },
  ...over,
});

/** Answers wait until they are let go, one after the other. */
let waiting: { asked: { mapping: Mapping; hasHeading: boolean }; answer: (status?: number) => void }[] = [];

function open(first: Looked) {
  waiting = [];
  vi.stubGlobal(
    'fetch',
    (_: string, { body }: RequestInit) =>
      new Promise<Response>((resolve) => {
        const asked = JSON.parse(String(body));
        waiting.push({
          asked,
          answer: (status = 200) =>
            resolve(
              new Response(
                JSON.stringify(
                  status === 200
                    ? file(asked.mapping, { hasHeading: asked.hasHeading })
                    : { code: 'conflict', message: 'It is taken already.' },
                ),
                { status, headers: { 'Content-Type': 'application/json' } },
              ),
            ),
        });
      }),
  );
  function Page() {
    const [looked, setLooked] = useState(first);
    return (
      <>
        <ColumnTable looked={looked} setLooked={setLooked} />
        <output>{JSON.stringify(looked.mapping)}</output>
      </>
    );
  }
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Page />
    </QueryClientProvider>,
  );
}

const column = (name: string) => screen.getByLabelText<HTMLSelectElement>(`What this column holds: ${name}`);
const choose = (name: string, field: string) => fireEvent.change(column(name), { target: { value: field } });
const answerNext = async (status?: number) => {
  await waitFor(() => expect(waiting.length).toBeGreaterThan(0));
  await act(async () => waiting.shift()?.answer(status));
};

afterEach(() => vi.unstubAllGlobals());

it('keeps what was chosen while an answer is on its way', async () => {
  open(file({}));
  choose('Post', 'email');
  choose('Person', 'name');
  choose('Where', 'zone');
  // What is chosen shows at once.
  expect([column('Person').value, column('Post').value, column('Where').value]).toEqual(['name', 'email', 'zone']);
  await answerNext();
  await answerNext();
  await waitFor(() => expect(waiting[0]?.asked.mapping).toEqual({ name: 0, email: 1, zone: 2 }));
  expect(screen.getByRole('status').textContent).toBe('{}');
  await answerNext();
  await waitFor(() => expect(screen.getByRole('status').textContent).toBe('{"name":0,"email":1,"zone":2}'));
});

it('takes a field from the column that held it, and none from a column that holds none', async () => {
  open(file({ name: 0, email: 1 }));
  choose('Where', 'name');
  await waitFor(() => expect(waiting[0]?.asked.mapping).toEqual({ name: 2, email: 1 }));
  expect(column('Person').value).toBe('');
  await answerNext();
  choose('Where', '');
  await waitFor(() => expect(waiting[0]?.asked.mapping).toEqual({ email: 1 }));
  await answerNext();
});

it('says that the first row names no columns, and goes back to what stood if that is refused', async () => {
  open(file({ email: 1 }));
  const heading = screen.getByRole<HTMLInputElement>('checkbox');
  fireEvent.click(heading);
  expect(heading.checked).toBe(false);
  await waitFor(() => expect(waiting[0]?.asked).toEqual({ mapping: { email: 1 }, hasHeading: false }));
  await answerNext(409);
  await screen.findByText(/It is taken already/);
  expect(heading.checked).toBe(true);
});

it('leaves the columns of cards as they are', () => {
  open(file({ name: 0 }, { kind: 'vcard' }));
  expect(column('Person').disabled).toBe(true);
  expect(screen.queryByRole('checkbox')).toBeNull();
});
