import { useId } from 'react';
import { useTranslation } from 'react-i18next';

/** So many characters, as the server takes them. */
const MOST = 1000;

/** A few words of the coordinator's own, for everybody who gets a message. */
export function OwnWords({ words, setWords }: { words: string; setWords: (words: string) => void }) {
  const { t } = useTranslation();
  const id = useId();
  return (
    <div>
      <label htmlFor={id} className="text-note font-semibold text-muted">
        {t('words.label')}
      </label>
      <textarea
        id={id}
        rows={2}
        maxLength={MOST}
        value={words}
        placeholder={t('words.hint')}
        onChange={(event) => setWords(event.target.value)}
        className="block field-sizing-content max-h-40 min-h-14 w-full resize-none rounded-md border border-muted bg-sheet px-2.5 py-1.5"
      />
    </div>
  );
}
