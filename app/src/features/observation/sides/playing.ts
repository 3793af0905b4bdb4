import { useMemo } from 'react';
import { sidesHistory } from '@slate-path/core/observation/sides/history';
import { sideMarks, type WayToForm } from '@slate-path/core/observation/sides/limits';
import { counts, pointsOf, scoresOf } from '@slate-path/core/observation/sides/scores';
import type { Game, GamePoint, Lesson } from '@slate-path/core/records/schema';
import type { Records } from '@slate-path/core/records/records';
import { now } from '../../../sync/clock';
import { makeChange, newId } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { keyOf } from '../../attendance/lesson/marking';

export type Side = Game['sides'][number];

const moment = () => new Date(now()).toISOString();

/** The games of a lesson, in the order in which they began. */
export function gamesIn(games: Records['game'], lessonId: string): Game[] {
  return Object.values(games)
    .filter((game) => !game.removed && game.lessonId === lessonId)
    .sort((a, b) => (a.startedAt < b.startedAt ? -1 : 1));
}

/** The games of a lesson, in the order in which they began. */
export function useGames(lessonId: string): Game[] {
  const games = useRecords(({ current }) => current.game);
  return useMemo(() => gamesIn(games, lessonId), [games, lessonId]);
}

/** What was given in a game, and where its sides stand. */
export function useScores(game: Game) {
  const all = useRecords(({ current }) => current.gamePoint);
  return useMemo(() => {
    const points = pointsOf(game.id, Object.values(all));
    return { points, scores: scoresOf(game, points) };
  }, [game, all]);
}

/** Sides without anybody, each with a mark of its own and named after it. */
export function freshSides(count: number): Side[] {
  return sideMarks
    .slice(0, count)
    .map((mark) => ({ name: mark.charAt(0).toUpperCase() + mark.slice(1), mark, studentIds: [] }));
}

export function startGame(
  lesson: Lesson,
  game: { name: string; sides: Side[]; formedBy: WayToForm; seed: number | null },
): void {
  const payload = { lesson: keyOf(lesson), id: newId(), ...game, startedAt: moment() };
  makeChange('game.start', payload, sidesHistory(lesson.id));
}

type Decided = Partial<Pick<Game, 'name' | 'sides' | 'round' | 'clock' | 'endedAt'>>;

/** Decides something of a game; what is not named stays as it is, here and on other devices. */
export function setGame({ id, lessonId }: Game, decided: Decided): void {
  makeChange('game.set', { id, lessonId, ...decided }, sidesHistory(lessonId));
}

export function endGame(game: Game): void {
  setGame(game, { endedAt: moment(), clock: null });
}

export function removeGame({ id, lessonId }: Game): void {
  makeChange('game.remove', { id, lessonId, removed: true }, sidesHistory(lessonId));
}

/** Gives points to a side. @param studentId who earned them; null: the whole side */
export function givePoints(game: Game, side: number, amount: number, studentId: string | null): void {
  const { id: gameId, lessonId, round } = game;
  makeChange(
    'gamePoint.give',
    { id: newId(), lessonId, gameId, side, studentId, amount, round, at: moment() },
    sidesHistory(lessonId),
  );
}

/** Sets right what was given; what it was stays on record. */
export function correctPoint(game: Game, point: GamePoint, to: { side: number; amount: number }): void {
  const before = counts(point);
  if (before.side === to.side && before.amount === to.amount) return;
  const corrections = [...point.corrections, { ...to, at: moment() }];
  makeChange(
    'gamePoint.correct',
    { id: point.id, lessonId: game.lessonId, corrections },
    sidesHistory(game.lessonId),
  );
}
