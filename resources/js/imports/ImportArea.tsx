import { createContext, lazy, Suspense, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { isInField } from '../people/useSheetKey';
import { isMail, looksLikeMail } from './mailFiles';
import { isPeople } from './peopleFiles';

const MailDialog = lazy(async () => ({ default: (await import('./MailDialog')).MailDialog }));
const ImportDialog = lazy(async () => ({ default: (await import('./ImportDialog')).ImportDialog }));

const Context = createContext<(() => void) | null>(null);

/** Asks for a calendar file or a mail on this machine; null for those who do not plan. */
export const useChooseFile = () => useContext(Context);

/** Takes a calendar file or a mail dropped anywhere on the window, or chosen, and opens it as a draft. */
export function ImportArea({ plans, children }: { plans: boolean; children: ReactNode }) {
  const { t } = useTranslation();
  const [file, setFile] = useState<File | null>(null);
  const [over, setOver] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const take = useRef((file: File | null) => setFile(file));
  useEffect(() => {
    // A list of people has a page of its own.
    take.current = (one) => (one && isPeople(one) ? void navigate('/people/import', { state: { file: one } }) : setFile(one));
  }, [navigate]);

  useEffect(() => {
    if (!plans) {
      return undefined;
    }
    const holdsFiles = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false;
    const drag = (event: DragEvent) => {
      if (holdsFiles(event)) {
        event.preventDefault();
        setOver(true);
      }
    };
    const leave = (event: DragEvent) => {
      if (event.relatedTarget === null) {
        setOver(false);
      }
    };
    const drop = (event: DragEvent) => {
      if (holdsFiles(event)) {
        event.preventDefault();
        setOver(false);
        take.current(event.dataTransfer?.files[0] ?? null);
      }
    };
    // A mail copied as it is, headers and all, and pasted where nobody is typing.
    const paste = (event: ClipboardEvent) => {
      const text = event.clipboardData?.getData('text/plain') ?? '';
      const dropped = event.clipboardData?.files[0];
      if (isInField(event)) {
        return;
      }
      if (dropped) {
        event.preventDefault();
        take.current(dropped);
      } else if (looksLikeMail(text)) {
        event.preventDefault();
        take.current(new File([text], 'pasted.eml', { type: 'message/rfc822' }));
      }
    };
    window.addEventListener('paste', paste);
    window.addEventListener('dragover', drag);
    window.addEventListener('dragleave', leave);
    window.addEventListener('drop', drop);
    return () => {
      window.removeEventListener('paste', paste);
      window.removeEventListener('dragover', drag);
      window.removeEventListener('dragleave', leave);
      window.removeEventListener('drop', drop);
    };
  }, [plans]);

  const choose = useMemo(() => (plans ? () => input.current?.click() : null), [plans]);
  return (
    <Context.Provider value={choose}>
      {children}
      {plans && (
        <input
          ref={input}
          type="file"
          accept=".ics,.ifb,.ical,.eml,text/calendar,message/rfc822"
          hidden
          aria-label={t('import.choosing')}
          onChange={(event) => {
            setFile(event.target.files?.[0] ?? null);
            event.target.value = '';
          }}
        />
      )}
      {over && (
        <div className="pointer-events-none fixed inset-0 z-50 grid place-items-center bg-[#0c121c]/60">
          <p className="rounded-lg border-2 border-dashed border-sun bg-top px-8 py-6 text-19 font-semibold text-on-top">
            {t('import.drop')}
          </p>
        </div>
      )}
      {file && (
        <Suspense fallback={null}>
          {isMail(file) ? (
            <MailDialog key={`${file.name} ${file.lastModified}`} file={file} close={() => setFile(null)} />
          ) : (
            <ImportDialog key={`${file.name} ${file.lastModified}`} file={file} close={() => setFile(null)} />
          )}
        </Suspense>
      )}
    </Context.Provider>
  );
}
