import * as z from 'zod/mini';
import { sendFile } from '../lib/api';
import { meetingShape } from '../planning/meetings';

/** Octets; the server takes no more. */
export const MOST_OF_MAIL = 30_000_000;

/** Whether a file is a mail by what it calls itself; what it is, the server finds out. */
export const isMail = (file: File): boolean => file.type === 'message/rfc822' || /\.eml$/i.test(file.name);

/** Whether a text is a whole mail, headers and all: it begins with some, and names who sent it or got it. */
export const looksLikeMail = (text: string): boolean => {
  const head = text.slice(0, 20_000).split(/\r?\n\r?\n/, 1)[0] ?? '';
  return /^[A-Za-z][A-Za-z0-9-]*:[ \t]/.test(text.trimStart()) && /^From:[ \t].*@/im.test(head) && /^(To|Cc|Subject|Date):/im.test(head);
};

/** A mail as a draft with its people. */
export const openMail = (file: Blob) => sendFile('mail-files', file, z.object({ meeting: meetingShape, notes: z.array(z.string()) }));
