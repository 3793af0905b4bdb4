import { useMemo } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { playedBy } from '@slate-path/core/observation/sides/ofStudent';
import { many } from '@slate-path/core/words/many';
import { displayName } from '@slate-path/core/people/names';
import type { Game } from '@slate-path/core/records/schema';
import { Card } from '../../../parts/Card';
import { shortDay } from '../../../parts/dates';
import { Words } from '../../../parts/Words';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { space } from '../../../theme/tokens';
import { ToneWeeks } from '../tone/ToneWeeks';
import { GameResult } from './GameResult';

interface PlayedProps {
  sectionId: string;
  /** YYYY-MM-DD, both included. */
  from: string;
  to: string;
}

/** The lessons of a class in some days that have a game or a tone. */
function useInDays({ sectionId, from, to }: PlayedProps) {
  useView(addressOf('played', { sectionId, from, to }));
  const lessons = useRecords(({ current }) => current.lesson);
  return useMemo(
    () =>
      new Map(
        Object.values(lessons)
          .filter((one) => !one.removed && one.sectionId === sectionId && from <= one.date && one.date <= to)
          .map((one) => [one.id, one]),
      ),
    [lessons, sectionId, from, to],
  );
}

/** Who was in games, how often first, and what they earned alone. */
function WhoPlayed({ games }: { games: readonly Game[] }) {
  const all = useRecords(({ current }) => current.gamePoint);
  const students = useRecords(({ current }) => current.student);
  const lines = useMemo(() => {
    const name = (id: string) => (students[id] ? displayName(students[id]) : 'Somebody');
    return playedBy(games, Object.values(all))
      .map((line) => ({ ...line, name: name(line.studentId) }))
      .sort((a, b) => b.own - a.own || a.name.localeCompare(b.name));
  }, [games, all, students]);
  const cell = (text: string, quiet = false) => (
    <Words
      figures
      tone={quiet ? 'inkQuiet' : 'ink'}
      size={quiet ? 'small' : 'text'}
      style={{ width: 64, textAlign: 'right' }}
    >
      {text}
    </Words>
  );
  return (
    <Card style={{ gap: space(1) }}>
      <Words size="large" serif heading={2}>
        Who did how much in games
      </Words>
      <View style={{ flexDirection: 'row', alignItems: 'flex-end' }}>
        <Words size="small" tone="inkQuiet" style={{ flex: 1 }}>
          Student
        </Words>
        {['Games', 'First', 'Points'].map((head) => (
          <View key={head}>{cell(head, true)}</View>
        ))}
      </View>
      {lines.map(({ studentId, name, games: played, won, own }) => (
        <View key={studentId} style={{ flexDirection: 'row' }}>
          <Words style={{ flex: 1 }} lines={1}>
            {name}
          </Words>
          {cell(String(played))}
          {cell(String(won))}
          {cell(String(own))}
        </View>
      ))}
    </Card>
  );
}

/** Games and the tone of a class over some weeks: how each game came out, who did how much, how the tone went. */
export function Played(props: PlayedProps) {
  const lessons = useInDays(props);
  const allGames = useRecords(({ current }) => current.game);
  const students = useRecords(({ current }) => current.student);
  const games = useMemo(
    () =>
      Object.values(allGames)
        .filter(({ removed, lessonId }) => !removed && lessons.has(lessonId))
        .sort((a, b) => (a.startedAt < b.startedAt ? 1 : -1)),
    [allGames, lessons],
  );
  const nameOf = (id: string) => (students[id] ? displayName(students[id]) : 'Somebody');
  return (
    <View style={{ gap: space(4) }}>
      <ToneWeeks lessons={lessons} />
      {games.length > 0 ? (
        <>
          <WhoPlayed games={games} />
          <Words size="small" tone="inkQuiet">
            {many(games.length, 'game')}
          </Words>
          {games.map((game) => (
            <GameResult
              key={game.id}
              game={game}
              nameOf={nameOf}
              day={shortDay(lessons.get(game.lessonId)?.date ?? game.startedAt.slice(0, 10))}
            />
          ))}
        </>
      ) : null}
    </View>
  );
}
