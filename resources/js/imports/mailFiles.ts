import * as z from 'zod/mini';
import { sendFile } from '../lib/api';
import { meetingShape } from '../planning/meetings';

/** Octets; the server takes no more. */
export const MOST_OF_MAIL = 30_000_000;

/** Whether a file is a mail by what it calls itself; what it is, the server finds out. */
export const isMail = (file: File): boolean => file.type === 'message/rfc822' || /\.eml$/i.test(file.name);

/** A mail as a draft with its people. */
export const openMail = (file: Blob) => sendFile('mail-files', file, z.object({ meeting: meetingShape, notes: z.array(z.string()) }));
