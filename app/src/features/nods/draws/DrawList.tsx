import { View } from 'react-native';
import { firstFreeOn } from '@slate-path/core/nods/draws/turns';
import { many } from '@slate-path/core/words/many';
import { listed } from '@slate-path/core/words/listed';
import { Card } from '../../../parts/Card';
import { dayMonth } from '../../../parts/dates';
import { Empty } from '../../../parts/Empty';
import { TallyStrokes } from '../../../parts/TallyStrokes';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import type { DrawPool } from './pool';
import type { Drawing } from './useDrawing';

/** Who is in the draw, with their nods, and who rests. */
export function DrawList({ pool, drawing }: { pool: DrawPool; drawing: Drawing }) {
  const { lot, most, choices } = drawing;
  const byNods = [...lot.entries].sort(
    (a, b) => b.tickets - a.tickets || pool.nameOf(a.studentId).localeCompare(pool.nameOf(b.studentId)),
  );
  const free = byNods.filter(({ rests }) => !rests);
  const resting = byNods.filter(({ rests }) => rests);
  if (lot.entries.length === 0)
    return (
      <Empty title="Nobody to draw from">
        Nobody who is here today has a nod from these days. Choose other days, or give nods first: in a
        lesson, under Nods.
      </Empty>
    );
  const ids = resting.map(({ studentId }) => studentId);
  const again = firstFreeOn(pool.earlier, ids, choices.restWeeks ?? 0);
  const tickets = choices.chances === 'nods' ? `, ${many(lot.tickets, 'ticket')}` : '';
  return (
    <Card style={{ gap: space(3) }}>
      <Words bold>
        {free.length > 0 ? `In the draw: ${free.length}${tickets}` : 'All of them have had a turn'}
      </Words>
      {free.length > 0 ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: space(5), rowGap: space(2) }}>
          {free.map(({ studentId, tickets: own }) => (
            <View
              key={studentId}
              style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}
              accessible
              aria-label={`${pool.nameOf(studentId)}, ${many(own, 'ticket')}`}
            >
              <Words>{pool.nameOf(studentId)}</Words>
              {choices.chances === 'nods' ? <TallyStrokes count={own} tone="wanted" /> : null}
            </View>
          ))}
        </View>
      ) : null}
      {resting.length > 0 ? (
        <Words tone="inkQuiet" size="small">
          {`Resting, for they were drawn: ${listed(ids.map(pool.nameOf))}.`}
        </Words>
      ) : null}
      {free.length === 0 ? (
        <Words tone="inkQuiet">
          {most > 0
            ? 'The next draw begins a new round: everyone is in it again.'
            : `Nobody can be drawn${again ? ` before ${dayMonth(again)}` : ''}. Choose a shorter rest, or other days.`}
        </Words>
      ) : null}
      {most > 0 && choices.wanted > most ? (
        <Words tone="inkQuiet">{`Only ${most} can be drawn: that is how many there are.`}</Words>
      ) : null}
    </Card>
  );
}
