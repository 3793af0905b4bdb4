import type { Reader } from '@slate-path/core/people/messages/readers';
import { displayName } from '@slate-path/core/people/names';
import { Card } from '../../../parts/Card';
import { dayMonth } from '../../../parts/dates';
import { TickRow } from '../../../parts/TickRow';
import { Words } from '../../../parts/Words';

interface ReaderListProps {
  people: readonly Reader[];
  isIn: (reader: Reader) => boolean;
  onDecide: (reader: Reader, decision: boolean) => void;
}

/** Who would be written to, each of whom can be left out; who has no address; who was written to before. */
export function ReaderList({ people, isIn, onDecide }: ReaderListProps) {
  const reachable = people.filter(({ addresses }) => addresses.length > 0);
  const without = people.filter(({ addresses }) => addresses.length === 0);
  if (people.length === 0) return <Words tone="inkQuiet">Nobody: there is no one to write to here.</Words>;
  return (
    <>
      {reachable.length > 0 ? (
        <Card style={{ padding: 0 }}>
          {reachable.map((reader) => {
            const { student, addresses, before } = reader;
            return (
              <TickRow
                key={student.id}
                name={`${displayName(student)}, ${addresses.join(', ')}${before ? ', written to already' : ''}`}
                ticked={isIn(reader)}
                onChange={(decision) => {
                  onDecide(reader, decision);
                }}
              >
                <Words lines={1}>{displayName(student)}</Words>
                <Words size="small" tone="inkQuiet" lines={1}>
                  {addresses.join(', ')}
                </Words>
                {before ? (
                  <Words size="small" tone="ochre" bold>
                    {`Written to about this on ${dayMonth(before.writtenAt.slice(0, 10))}; left out unless you tick it`}
                  </Words>
                ) : null}
              </TickRow>
            );
          })}
        </Card>
      ) : null}
      {without.length > 0 ? (
        <Words>
          <Words bold>{`No address (${without.length}): `}</Words>
          {without.map(({ student }) => displayName(student)).join(', ')}
        </Words>
      ) : null}
    </>
  );
}
