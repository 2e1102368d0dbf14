import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { AddPerson } from './AddPerson';

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
  initials: 'IV',
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

const field = (add = vi.fn(), taken: string[] = []) => {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <AddPerson taken={taken} add={add} />
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
    expect(add).toHaveBeenCalledExactlyOnceWith(expect.objectContaining({ id: '2' }));
    expect(input).toHaveValue('');
  });

  it('does not offer whoever is in already', async () => {
    answers['/api/people/suggest'] = [person('1', 'Inês Varela', 'ines@x.example')];
    fireEvent.change(field(vi.fn(), ['1']), { target: { value: 'ines' } });
    await screen.findByText(/Nobody by that name/);
    expect(screen.queryByRole('option')).toBeNull();
  });

  it('points out a slip and takes the address that was meant', async () => {
    answers['/api/guests/check'] = {
      address: null,
      name: null,
      problem: 'bad_domain',
      suggestion: 'rosa@anden.example',
      message: 'What stands after the @ cannot be.',
    };
    answers['/api/guests'] = person('9', null, 'rosa@anden.example', 'guest');
    const add = vi.fn();
    fireEvent.change(field(add), { target: { value: 'rosa@anden,example' } });
    expect(await screen.findByRole('status')).toHaveTextContent('What stands after the @ cannot be.');
    fireEvent.mouseDown(await screen.findByRole('option', { name: 'Did you mean rosa@anden.example?' }));
    await waitFor(() => expect(add).toHaveBeenCalledExactlyOnceWith(expect.objectContaining({ email: 'rosa@anden.example' })));
  });
});
