import { many } from '@slate-path/core/words/many';
import { dueWords } from '@slate-path/core/work/pieceWords';
import type { BringPlan } from '@slate-path/core/work/bring/planBring';
import { Card } from '../../parts/Card';
import { shortDay } from '../../parts/dates';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';
import type { Bring, FileReading } from './useBring';

/** What a file comes to. */
export function summaryOf(
  { actions, people }: FileReading,
  { plan, known, ofNobody, students }: Bring,
): string {
  const fates = (list: readonly { fate: string }[], fate: string) =>
    list.filter((one) => one.fate === fate).length;
  const parts = [
    actions.count > 0
      ? `${many(known, 'action')} of ${many(students, 'student')}, ${[...new Set([actions.from, actions.to])].map((day) => shortDay(day ?? '')).join(' to ')}`
      : '',
    ofNobody > 0 ? `${ofNobody} of nobody in this class` : '',
    plan.pieces.length > 0
      ? `${many(plan.pieces.length, 'piece')} of work (${fates(plan.pieces, 'new')} new)`
      : '',
    plan.handIns.length > 0
      ? `${many(plan.handIns.length, 'hand-in')} of ${many(students, 'student')}: ${fates(plan.handIns, 'new')} new, ${fates(plan.handIns, 'changed')} changed, ${fates(plan.handIns, 'same')} the same`
      : '',
  ];
  return parts.filter(Boolean).join('; ') || `${many(people.length, 'person', 'people')} and nothing of them`;
}

const roleWords: Partial<Record<string, string>> = {
  given_name: 'given name',
  family_name: 'family name',
  handed_in: 'handed in',
  handed_back: 'handed back',
  total: 'left out: a total',
};

/** What each column is taken for. */
export function Columns({ reading: { columns, shape } }: { reading: FileReading }) {
  if (columns.length === 0) return null;
  const words = columns
    .filter(({ heading }) => heading !== '')
    .map(({ heading, role }) => {
      const taken =
        role === null ? (shape === 'grade_book' ? 'a piece of work' : 'not used') : (roleWords[role] ?? role);
      return heading.toLowerCase() === taken ? heading : `${heading}: ${taken}`;
    });
  return <Words size="small" tone="inkQuiet">{`Columns. ${words.join('; ')}.`}</Words>;
}

const fateWords = { new: 'new', changed: 'changed', same: 'as it is' } as const;

/** Pieces of work of the file beside those that are here. */
export function PlannedPieces({ plan }: { plan: BringPlan }) {
  if (plan.pieces.length === 0) return null;
  return (
    <Card style={{ gap: space(1) }}>
      <Words size="large" serif heading={2}>
        Pieces of work
      </Words>
      {plan.pieces.map((piece) => {
        const own = plan.handIns.filter(({ workId }) => workId === piece.id);
        const points = piece.points === null ? '' : `, ${piece.points} points`;
        return (
          <Words key={piece.id} figures>
            <Words bold>{piece.title}</Words>
            {`  ${fateWords[piece.fate]}, ${dueWords(piece)}${points}; ${many(own.length, 'hand-in')}`}
          </Words>
        );
      })}
    </Card>
  );
}
