import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { ApiError, sendJson } from '../lib/api';
import { sessionQuery, useSession, type Session } from '../people/session';
import { heldStore } from './held';
import { SheetKeeper, type Kept } from './keeper';
import { meetingQuery, meetingShape, type Meeting } from './meetings';

export type SheetState = Kept &
  Pick<
    SheetKeeper,
    'change' | 'amend' | 'undo' | 'redo' | 'takeTheirs' | 'keepMine' | 'takeOffer' | 'letOfferGo' | 'flush' | 'isDirty' | 'heldVersion'
  >;

/** Holds a sheet, keeps it as it changes, and notices when somebody else did. */
export function useSheet(meeting: Meeting): SheetState {
  const client = useQueryClient();
  const accountId = useSession()?.account?.id ?? '';
  const [keeper] = useState(
    () =>
      new SheetKeeper(
        meeting,
        async (body) => {
          try {
            return await sendJson('PUT', `meetings/${meeting.id}`, body, meetingShape);
          } catch (error) {
            if (error instanceof ApiError && error.code === 'changed_elsewhere') {
              const current = meetingShape.safeParse(error.details['current']);
              throw new ApiError(error.status, error.code, error.message, {}, { current: current.success ? current.data : undefined });
            }
            throw error;
          }
        },
        heldStore(accountId, meeting.id),
        (now) => client.setQueryData(meetingQuery(meeting.id).queryKey, now),
        (error) => {
          // A session that ended is asked for anew; the sheet stays.
          if (error instanceof ApiError && (error.status === 401 || error.status === 419)) {
            void client.invalidateQueries({ queryKey: sessionQuery.queryKey });
          }
        },
      ),
  );
  const kept = useSyncExternalStore(keeper.subscribe, keeper.present);

  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (keeper.isDirty()) {
        event.preventDefault();
      }
    };
    // Whoever signs in again, or comes back to the network, need not wait for the next try.
    const again = () => void keeper.again();
    window.addEventListener('beforeunload', warn);
    window.addEventListener('online', again);
    let wasSignedIn = true;
    const stop = client.getQueryCache().subscribe((event) => {
      const isSession = event.type === 'updated' && event.action.type === 'success' && event.query.queryKey[0] === 'session';
      if (isSession) {
        const isSignedIn = (event.query.state.data as Session | undefined)?.account !== null;
        if (isSignedIn && !wasSignedIn) {
          again();
        }
        wasSignedIn = isSignedIn;
      }
    });
    return () => {
      window.removeEventListener('beforeunload', warn);
      window.removeEventListener('online', again);
      stop();
      keeper.leave();
    };
  }, [client, keeper]);

  const { change, amend, undo, redo, takeTheirs, keepMine, takeOffer, letOfferGo, flush, isDirty, heldVersion } = keeper;
  return { ...kept, change, amend, undo, redo, takeTheirs, keepMine, takeOffer, letOfferGo, flush, isDirty, heldVersion };
}
