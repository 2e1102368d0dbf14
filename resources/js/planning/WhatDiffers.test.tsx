import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Person } from '../people/people';
import { sampleMeeting } from './samples';
import { freshKey, sheetOf, type Sheet } from './sheet';
import { differing, WhatDiffers } from './WhatDiffers';

const person = (id: string): Person => ({
  id,
  kind: 'colleague',
  name: id,
  email: `${id}@x.example`,
  job: null,
  zone: null,
  city: null,
  language: 'en',
  hours: {},
  hoursAssumed: true,
  country: null,
  region: null,
  left: false,
  initials: 'I',
});
const meeting = sampleMeeting({
  id: 'sent',
  agenda: [{ id: 1, title: 'Arrivals', minutes: 5, speaker: null }],
  attendees: [{ person: person('i'), role: 'required', partstat: 'accepted' }],
});
const sent = sheetOf(meeting);
const sheet = (over: Partial<Sheet> = {}): Sheet => ({ ...sheetOf(meeting), ...over });

describe('what differs from what was sent', () => {
  it.each<[string, Partial<Sheet>, string[]]>([
    [
      'nothing, though lines have other keys and people other words',
      { attendees: [{ person: { ...person('i'), name: 'Other' }, role: 'required' }] },
      [],
    ],
    ['a title', { title: 'Other' }, ['title']],
    ['a time and a moved date are one', { startLocal: '2031-01-01T09:00:00', moved: [{ date: 'a', to: 'b' }] }, ['when']],
    ['a role', { attendees: [{ person: person('i'), role: 'optional' }] }, ['people']],
    ['an agenda item', { agenda: [{ key: freshKey(), title: 'Arrivals', minutes: 10, speaker: '' }] }, ['agenda']],
    ['several', { purpose: 'x', place: 'Hall' }, ['join', 'purpose']],
  ])('is found: %s', (_, over, parts) => {
    expect(differing(sheet(over), sent)).toEqual(parts);
  });

  afterEach(() => vi.unstubAllGlobals());

  it('is said, and put back part by part', async () => {
    vi.stubGlobal('fetch', async () => new Response(JSON.stringify(meeting), { status: 200 }));
    const change = vi.fn();
    render(
      <QueryClientProvider client={new QueryClient()}>
        <WhatDiffers sentId="sent" sheet={sheet({ title: 'Other', place: 'Hall' })} change={change} />
      </QueryClientProvider>,
    );
    expect(await screen.findByRole('status')).toHaveTextContent('Not as it was sent: title put it back how to join put it back');
    fireEvent.click(screen.getByRole('button', { name: 'Put it back as it was sent: title' }));
    expect(change).toHaveBeenCalledExactlyOnceWith({ title: meeting.title });
  });

  it('says nothing of dates where the sheet is of other dates by itself', async () => {
    vi.stubGlobal('fetch', async () => new Response(JSON.stringify(meeting), { status: 200 }));
    const later = { startLocal: '2031-01-01T09:00:00', own: [{ date: 'a', minutes: 60, title: null, place: null, people: null }] };
    render(
      <QueryClientProvider client={new QueryClient()}>
        <WhatDiffers sentId="sent" sheet={sheet({ ...later, place: 'Hall' })} change={vi.fn()} isPart />
      </QueryClientProvider>,
    );
    expect(await screen.findByRole('status')).toHaveTextContent('Not as it was sent: how to join put it back');
  });
});
