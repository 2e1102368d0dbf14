import { queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { getJson, send, sendFile } from '../lib/api';
import type { Live } from '../lib/useLive';

const fileShape = z.object({ id: z.string(), name: z.string(), type: z.string(), size: z.number() });
export type MeetingFile = z.infer<typeof fileShape>;

export const filesQuery = (meetingId: string) =>
  queryOptions({
    queryKey: ['files', meetingId],
    queryFn: ({ signal }) => getJson(`meetings/${meetingId}/files`, z.object({ files: z.array(fileShape), mostBytes: z.number() }), signal),
    meta: { live: { topics: ['meeting'] } satisfies Live },
  });

export const addFile = (meetingId: string, file: File) =>
  sendFile(`meetings/${meetingId}/files?${new URLSearchParams({ name: file.name.slice(-200) })}`, file, fileShape);

export const removeFile = (meetingId: string, id: string) => send('DELETE', `meetings/${meetingId}/files/${id}`);

export const fileHref = (meetingId: string, id: string): string => `/api/meetings/${meetingId}/files/${id}`;

/** "340 kB", "2.1 MB" */
export const sizeText = (octets: number): string =>
  octets < 1_000_000 ? `${Math.max(1, Math.round(octets / 1000))} kB` : `${(octets / 1_000_000).toFixed(1)} MB`;
