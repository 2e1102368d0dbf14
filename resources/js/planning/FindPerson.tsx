import type { Person } from '../people/people';
import { AddPerson } from './AddPerson';
import { EntriesProvider } from './entries';

/** The field in which people are found, for one of them. */
export function FindPerson({ take, taken }: { take: (person: Person) => void; taken: string[] }) {
  return (
    <EntriesProvider>
      <AddPerson taken={taken} add={([person]) => person && take(person)} />
    </EntriesProvider>
  );
}
