import { useState } from 'react';
import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import type { Work } from '@slate-path/core/records/schema';
import { statusWords } from '@slate-path/core/work/pieceWords';
import { Card } from '../../parts/Card';
import { FieldInColumn, useFieldsBelow } from '../../parts/TypedColumn';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { setScore, type Scored } from './setHandIns';
import type { Part } from './usePiece';

/** Scores down the class, one under the other: typed, and on with Enter or the arrows. */
export function ScoreColumn({ work, parts }: { work: Work; parts: readonly Part[] }) {
  const { list, goTo } = useFieldsBelow();
  return (
    <Card style={{ padding: 0, maxWidth: 560 }}>
      <View ref={list}>
        {parts.map((part, index) => (
          <ScoreRow
            key={part.student.id}
            work={work}
            part={part}
            onMove={(by) => {
              goTo(index + by);
            }}
          />
        ))}
      </View>
    </Card>
  );
}

interface ScoreRowProps {
  work: Work;
  part: Part;
  onMove: (by: number) => void;
}

const longest = 40;

/** What was typed: a number, or a score in letters or words; undefined where it is neither. */
function readScore(typed: string): Scored | undefined {
  const text = typed.trim();
  if (text === '') return { score: null, written: null };
  const number = Number(text.replace(',', '.'));
  if (Number.isNaN(number)) return text.length > longest ? undefined : { score: null, written: text };
  return number >= 0 && Number.isFinite(number) ? { score: number, written: null } : undefined;
}

const keptOf = ({ handIn }: Part) => (handIn?.score == null ? (handIn?.written ?? '') : String(handIn.score));

function ScoreRow({ work, part, onMove }: ScoreRowProps) {
  const palette = usePalette();
  const { student, status } = part;
  const kept = keptOf(part);
  const [typed, setTyped] = useState<string | null>(null);
  const name = displayName(student);
  const read = readScore(typed ?? kept);
  const over = read !== undefined && work.points !== null && (read.score ?? 0) > work.points;
  const wrong = read === undefined;
  const said = read?.written != null ? 'in words: it counts in no average' : statusWords[status];
  const keep = () => {
    if (read === undefined || typed === null) return;
    setScore(work, part, read);
    setTyped(null);
  };
  return (
    <View
      testID="score-row"
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: space(3),
        paddingHorizontal: space(3),
        paddingVertical: space(1),
        borderTopWidth: 1,
        borderColor: palette.line,
      }}
    >
      <View style={{ flex: 1 }}>
        <Words lines={1}>{name}</Words>
        <Words size="small" tone={wrong ? 'clay' : 'inkQuiet'} lines={1}>
          {wrong
            ? 'Below 0 or too long: not kept'
            : over
              ? `more than the ${work.points ?? 0} points; kept all the same`
              : said}
        </Words>
      </View>
      <FieldInColumn
        value={typed ?? kept}
        onChange={setTyped}
        onLeave={keep}
        onMove={onMove}
        name={`Score of ${name}`}
        wrong={wrong}
        decimal
        align="right"
      />
    </View>
  );
}
