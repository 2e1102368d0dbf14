import { QueryClient, QueryClientProvider, useQuery } from '@tanstack/react-query';
import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { ApiError } from '../lib/api';
import { Awaited } from './Awaited';

function Shown({ ask }: { ask: () => Promise<string> }) {
  return <Awaited query={useQuery({ queryKey: ['x'], queryFn: ask, retry: false })}>{(text) => <p>{text}</p>}</Awaited>;
}

const show = (ask: () => Promise<string>) =>
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Shown ask={ask} />
    </QueryClientProvider>,
  );

describe('Awaited', () => {
  it('shows what has come, and nothing before', async () => {
    const { container } = show(async () => 'here it is');
    expect(container).toBeEmptyDOMElement();
    expect(await screen.findByText('here it is')).toBeInTheDocument();
  });

  it('says what went wrong in the words of the server, and asks again', async () => {
    const ask = vi
      .fn<() => Promise<string>>()
      .mockRejectedValueOnce(new ApiError(503, 'bridge_silent', 'The bridge did not answer.'))
      .mockResolvedValueOnce('now it did');
    show(ask);
    expect(await screen.findByRole('alert')).toHaveTextContent('The bridge did not answer.');
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(await screen.findByText('now it did')).toBeInTheDocument();
  });
});
