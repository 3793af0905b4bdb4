import { useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { fewestSides, longestGameName, mostSides } from '@slate-path/core/observation/sides/limits';
import { many } from '@slate-path/core/words/many';
import type { Game, Lesson } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Field } from '../../../parts/Field';
import { choicePhrase, Sentence } from '../../../parts/Sentence';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { isAway } from '../../attendance/lesson/isAway';
import type { LessonRow } from '../../attendance/lesson/lessonRow';
import { useShownNames } from '../../attendance/lesson/useShownNames';
import { freshSeed } from '../../../sync/freshSeed';
import { useRecords } from '../../../sync/useRecords';
import { formed, type Forming } from './forming';
import { startGame, type Side } from './playing';
import { SidesBoard } from './SidesBoard';

interface FormSidesProps {
  lesson: Lesson;
  rows: readonly LessonRow[];
  /** Goes back to the games that there are. */
  onCancel?: (() => void) | undefined;
  onStarted: () => void;
}

const ways: { value: Forming; label: string }[] = [
  { value: 'random', label: 'at random' },
  { value: 'plan', label: 'as they sit' },
  { value: 'level', label: 'equally strong' },
  { value: 'hand', label: 'by hand' },
];

/** The last game of this class before, for the same sides again. */
function useGameBefore(sectionId: string): Game | undefined {
  const games = useRecords(({ current }) => current.game);
  const lessons = useRecords(({ current }) => current.lesson);
  return useMemo(
    () =>
      Object.values(games)
        .filter(({ removed, lessonId }) => !removed && lessons[lessonId]?.sectionId === sectionId)
        .sort((a, b) => (a.startedAt < b.startedAt ? 1 : -1))[0],
    [games, lessons, sectionId],
  );
}

/** Two to eight sides of whoever is here, formed in a sentence and changed by hand. */
export function FormSides({ lesson, rows, onCancel, onStarted }: FormSidesProps) {
  const palette = usePalette();
  const names = useShownNames(rows);
  const here = rows.filter((row) => !isAway(row)).map(({ student }) => student.id);
  const before = useGameBefore(lesson.sectionId);
  const [count, setCount] = useState(before?.sides.length ?? 4);
  const [way, setWay] = useState<Forming>(before ? 'again' : 'random');
  const [seed, setSeed] = useState(freshSeed);
  const [name, setName] = useState('');
  const [moved, setMoved] = useState<Side[] | null>(null);
  const asked = { sectionId: lesson.sectionId, studentIds: here, count, way, seed, before };
  const key = JSON.stringify([lesson.sectionId, here, count, way, seed, before?.id]);
  // eslint-disable-next-line react-hooks/exhaustive-deps -- the key says all that is asked
  const made = useMemo(() => formed(asked), [key]);
  const sides = moved ?? made.sides;
  const change = (to: { count?: number; way?: Forming; seed?: number }) => {
    setMoved(null);
    if (to.count !== undefined) {
      setCount(to.count);
      if (way === 'again') setWay('random');
    }
    if (to.way !== undefined) {
      setWay(to.way);
      if (to.way === 'again' && before) setCount(before.sides.length);
    }
    if (to.seed !== undefined) setSeed(to.seed);
  };
  const start = () => {
    const formedBy = way === 'again' ? (before?.formedBy ?? 'hand') : way;
    const usesChance = way === 'random' || way === 'level';
    const title = name.trim().slice(0, longestGameName);
    startGame(lesson, { name: title, sides, formedBy, seed: usesChance ? seed : null });
    onStarted();
  };
  const placed = sides.reduce((sum, { studentIds }) => sum + studentIds.length, 0);
  return (
    <View style={{ flex: 1 }}>
      <ScrollView contentContainerStyle={{ padding: space(4), gap: space(4) }}>
        <Sentence
          parts={[
            choicePhrase({
              name: 'choose how many sides',
              value: String(count),
              options: Array.from({ length: mostSides - fewestSides + 1 }, (_, at) => ({
                value: String(at + fewestSides),
                label: String(at + fewestSides),
              })),
              words: `${count} sides`,
              onChange: (value) => {
                change({ count: Number(value) });
              },
            }),
            ', ',
            choicePhrase({
              name: 'choose how they are formed',
              value: way,
              options: [...(before ? [{ value: 'again' as const, label: 'as last time' }] : []), ...ways],
              onChange: (value) => {
                change({ way: value });
              },
            }),
            `, of ${many(here.length, 'student')} who ${here.length === 1 ? 'is' : 'are'} here.`,
          ]}
        />
        {made.note ? <Words tone="inkQuiet">{made.note}</Words> : null}
        <SidesBoard
          sides={sides}
          studentIds={here}
          nameOf={(id) => names.get(id) ?? ''}
          onChange={setMoved}
        />
        <Field label="Name of the game, if it has one" value={name} onChange={setName} />
      </ScrollView>
      <View
        style={{
          flexDirection: 'row',
          alignItems: 'center',
          gap: space(3),
          padding: space(3),
          borderTopWidth: 1,
          borderColor: palette.line,
          backgroundColor: palette.surface,
        }}
      >
        <Action label="Start the game" kind="main" onPress={start} />
        {way === 'random' || way === 'level' ? (
          <Action
            label="Form them anew"
            onPress={() => {
              change({ seed: freshSeed() });
            }}
          />
        ) : null}
        {onCancel ? <Action label="Not now" onPress={onCancel} /> : null}
        <Words size="small" tone="inkQuiet" style={{ flex: 1 }}>
          {placed < here.length ? `${here.length - placed} in no side` : ''}
        </Words>
      </View>
    </View>
  );
}
