import { fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { NoticeProvider } from '../ui/Notice';
import { useCopying } from './useCopying';

function Buttons() {
  const copying = useCopying();
  return (
    <>
      <button onClick={() => copying.link('https://meet.example/1')}>link</button>
      <button onClick={() => copying.asText('m1')}>text</button>
    </>
  );
}

const clipboard = (writeText: (text: string) => Promise<void>) => {
  Object.defineProperty(navigator, 'clipboard', { value: { writeText }, configurable: true });
  render(
    <NoticeProvider>
      <Buttons />
    </NoticeProvider>,
  );
};

afterEach(() => vi.unstubAllGlobals());

describe('useCopying', () => {
  it('copies a link', async () => {
    const writeText = vi.fn(async () => undefined);
    clipboard(writeText);
    fireEvent.click(screen.getByText('link'));
    expect(await screen.findByText('The link is copied.')).toBeInTheDocument();
    expect(writeText).toHaveBeenCalledExactlyOnceWith('https://meet.example/1');
  });

  it('asks for the text of a meeting and copies it', async () => {
    vi.stubGlobal('fetch', async () => new Response(JSON.stringify({ text: 'Seed swap, Tuesday' })));
    const writeText = vi.fn(async () => undefined);
    clipboard(writeText);
    fireEvent.click(screen.getByText('text'));
    expect(await screen.findByText(/The invitation is copied/)).toBeInTheDocument();
    expect(writeText).toHaveBeenCalledExactlyOnceWith('Seed swap, Tuesday');
  });

  it('says so when the browser does not allow it', async () => {
    clipboard(() => Promise.reject(new Error('denied')));
    fireEvent.click(screen.getByText('link'));
    expect(await screen.findByText('The browser did not allow copying.')).toBeInTheDocument();
  });
});
