import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { sidesHistory } from '@slate-path/core/observation/sides/history';
import { displayName } from '@slate-path/core/people/names';
import type { Game, Lesson } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { space } from '../../../theme/tokens';
import type { LessonRow } from '../../attendance/lesson/lessonRow';
import { FormSides } from './FormSides';
import { GameBoard } from './GameBoard';
import { GameResult } from './GameResult';
import { PointsSheet } from './PointsSheet';
import { setGame, useGames, useScores } from './playing';

interface SidesPanelProps {
  lesson: Lesson;
  /** Also those of the class that is on the same roll. */
  rows: readonly LessonRow[];
}

/** A game that has ended is still set right where somebody finds a mistake. */
function EndedGame({ game, nameOf }: { game: Game; nameOf: (id: string) => string }) {
  const [open, setOpen] = useState(false);
  const { points } = useScores(game);
  return (
    <View style={{ gap: space(1) }}>
      <GameResult game={game} nameOf={nameOf} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(4) }}>
        <Action
          label="Go on with it"
          name={`Go on with it: ${game.name || 'the game'}`}
          onPress={() => {
            setGame(game, { endedAt: null });
          }}
        />
        <Action
          label="Points given"
          name={`Points given: ${game.name || 'the game'}`}
          onPress={() => {
            setOpen(true);
          }}
        />
      </View>
      {open ? (
        <PointsSheet
          game={game}
          points={points}
          nameOf={nameOf}
          onClose={() => {
            setOpen(false);
          }}
        />
      ) : null}
    </View>
  );
}

/** The games of a lesson: the one that goes on, else how they came out, else sides to begin with. */
export default function SidesPanel({ lesson, rows }: SidesPanelProps) {
  const games = useGames(lesson.id);
  const students = useRecords(({ current }) => current.student);
  const [forming, setForming] = useState(false);
  const nameOf = (id: string) => (students[id] ? displayName(students[id]) : 'Somebody');
  const going = games.findLast(({ endedAt }) => endedAt === null);
  const stop = () => {
    setForming(false);
  };
  const begin = () => {
    setForming(true);
  };
  if (forming || games.length === 0)
    return (
      <FormSides
        lesson={lesson}
        rows={rows}
        onStarted={stop}
        onCancel={games.length > 0 ? stop : undefined}
      />
    );
  if (going) return <GameBoard key={going.id} game={going} lesson={lesson} rows={rows} onAnother={begin} />;
  return (
    <ScrollView style={{ flex: 1 }} contentContainerStyle={{ padding: space(4), gap: space(4) }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(4) }}>
        <Action label="Begin another game" kind="main" onPress={begin} />
        <TakeBack about={sidesHistory(lesson.id)} />
      </View>
      {games.toReversed().map((game) => (
        <EndedGame key={game.id} game={game} nameOf={nameOf} />
      ))}
    </ScrollView>
  );
}
