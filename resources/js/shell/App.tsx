import { useQuery } from '@tanstack/react-query';
import { Suspense, useEffect, useState } from 'react';
import { Route, Routes, useLocation } from 'react-router';
import { sessionQuery, type Session } from '../people/session';
import { ErrorNote } from '../ui/ErrorNote';
import { AgreeAddressPage, FirstAccountPage, loadSignInAgain, SetPasswordPage, SignInAgain, SignInPage } from './pages';
import { SignedIn } from './SignedIn';

/** What stands on the page: whoever is signed in sees the house, everybody else the way in. */
export function App() {
  return (
    <Suspense fallback={null}>
      <Gate />
    </Suspense>
  );
}

function Gate() {
  const { pathname } = useLocation();
  const { data, error, refetch } = useQuery(sessionQuery);
  const [last, setLast] = useState<Session | null>(null);
  if (data?.account && data !== last) {
    // Whoever comes back as somebody else begins anew: what stands here is not theirs.
    if (last?.account && last.account.id !== data.account.id) {
      window.location.assign('/');
    }
    setLast(data);
  }
  const isSignedIn = last !== null;
  useEffect(() => {
    if (!isSignedIn) {
      return undefined;
    }
    const timer = setTimeout(() => void loadSignInAgain(), 3000);
    return () => clearTimeout(timer);
  }, [isSignedIn]);
  if (pathname.startsWith('/password/') || pathname.startsWith('/address/')) {
    return data ? (
      <Routes>
        <Route path="/password/:token" element={<SetPasswordPage />} />
        <Route path="/address/:token" element={<AgreeAddressPage />} />
      </Routes>
    ) : null;
  }
  // A page that is open stays, whatever becomes of the session or the server: what was typed stands on it.
  const shown = data?.account ? data : last;
  if (shown?.account) {
    return (
      <>
        <SignedIn session={shown} />
        <Suspense fallback={null}>{data && !data.account && <SignInAgain account={shown.account} />}</Suspense>
      </>
    );
  }
  if (error) {
    return (
      <div className="p-5">
        <ErrorNote error={error} retry={() => void refetch()} />
      </div>
    );
  }
  if (!data) {
    return null;
  }
  return data.empty ? <FirstAccountPage /> : <SignInPage session={data} />;
}
