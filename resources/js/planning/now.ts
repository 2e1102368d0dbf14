import { sendJson } from '../lib/api';
import { meetingShape } from './meetings';

/** A meeting that begins this minute; its people are told at once. */
export const beginNow = (title: string, people: string[]) => sendJson('POST', 'meetings/now', { title, people }, meetingShape);

/** More people for all dates of a sent meeting. */
export const inviteMore = (meetingId: string, people: string[]) =>
  sendJson('POST', `meetings/${meetingId}/invite`, { people }, meetingShape);

export const callIn = (meetingId: string, people: string[]) => sendJson('POST', `meetings/${meetingId}/call-in`, { people }, meetingShape);
