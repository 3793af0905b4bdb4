import { View } from 'react-native';
import { commandOf, ruleWords } from '@slate-path/core/nods/draws/words';
import { drawnOf } from '@slate-path/core/nods/draws/drawn';
import type { Draw } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { longDay, shortDay } from '../../../parts/dates';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { makeChange } from '../../../sync/outbox';
import { space } from '../../../theme/tokens';
import { nodsHistory } from '../giving';
import type { DrawPool } from './pool';

type Entry = Draw['entries'][number];

const ticketWords = ({ firstTicket, tickets }: Entry) =>
  tickets === 1 ? String(firstTicket) : `${firstTicket} to ${firstTicket + tickets - 1}`;

function Tickets({ title, entries, pool }: { title: string; entries: readonly Entry[]; pool: DrawPool }) {
  if (entries.length === 0) return null;
  return (
    <View style={{ gap: space(1) }}>
      <Words bold>{title}</Words>
      {entries.map((entry) => (
        <View key={entry.studentId} style={{ flexDirection: 'row', gap: space(3) }}>
          <Words figures tone="inkQuiet" style={{ width: 88 }}>
            {ticketWords(entry)}
          </Words>
          <Words style={{ flex: 1 }}>{pool.nameOf(entry.studentId)}</Words>
        </View>
      ))}
    </View>
  );
}

/** A draw that was made: who, how, and all that is needed to do it again. */
export function DrawSheet({
  draw,
  pool,
  onShow,
  onClose,
}: {
  draw: Draw;
  pool: DrawPool;
  onShow: () => void;
  onClose: () => void;
}) {
  const numbers = drawnOf(draw);
  const free = draw.entries.filter(({ rests }) => !rests);
  const resting = draw.entries.filter(({ rests }) => rests);
  return (
    <Sheet
      title={draw.winners.map(pool.nameOf).join(', ') || 'Somebody who was erased'}
      note={`Drawn on ${longDay(draw.at.slice(0, 10))} at ${draw.at.slice(11, 16)}; nods from ${shortDay(draw.startsOn)} to ${shortDay(draw.endsOn)}${draw.groupName ? `, ${draw.groupName}` : ''}`}
      onClose={onClose}
    >
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        <Action label="Show on the big screen" kind="main" onPress={onShow} />
        <Action
          label="Remove this draw"
          onPress={() => {
            makeChange('draw.remove', { id: draw.id }, nodsHistory);
            onClose();
          }}
        />
      </View>
      <Words heading={3} bold>
        How it was drawn
      </Words>
      {ruleWords(draw).map((sentence) => (
        <Words key={sentence}>{sentence}</Words>
      ))}
      <Words>
        {`Seed ${draw.seed}: ${numbers
          .map(
            ({ n, ticket, studentId }) =>
              `number ${n} is ticket ${ticket}, ${studentId ? pool.nameOf(studentId) : 'somebody erased since'}`,
          )
          .join('; ')}.`}
      </Words>
      <Tickets title={`${draw.tickets} tickets`} entries={free} pool={pool} />
      <Tickets
        title={draw.rest === 'everyone' ? 'Resting; their tickets in a new round' : 'Resting'}
        entries={resting}
        pool={pool}
      />
      <Words tone="inkQuiet" size="small">
        {`From an archive the command draws the same again: ${commandOf(draw)}`}
      </Words>
    </Sheet>
  );
}
