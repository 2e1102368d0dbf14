import { useIsMutating } from '@tanstack/react-query';

/** The key of a sending, by which its page knows of it. */
export const sendingKey = (id: string) => ['send', id];

/** Whether a sheet is being sent: what is sent is asked about no more, since the sheet of a change is gone by then. */
export const useSending = (id: string): boolean => useIsMutating({ mutationKey: sendingKey(id) }) > 0;
