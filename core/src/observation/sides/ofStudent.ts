import type { Game, GamePoint } from '../../records/schema';
import { ownPoints, pointsOf, scoresOf, type SideScore } from './scores';

/** What a game was for one student. */
export interface GameOfStudent {
  game: Game;
  /** The name of the side. */
  side: string;
  score: SideScore;
  scores: SideScore[];
  /** What the student earned alone. */
  own: number;
}

/** The games in which a student was, the last one first; those taken back are left out. */
export function gamesOf(
  studentId: string,
  games: readonly Game[],
  points: readonly GamePoint[],
): GameOfStudent[] {
  return games
    .filter(({ removed }) => !removed)
    .sort((a, b) => (a.startedAt < b.startedAt ? 1 : -1))
    .flatMap((game) => {
      const index = game.sides.findIndex(({ studentIds }) => studentIds.includes(studentId));
      const side = game.sides[index];
      if (!side) return [];
      const given = pointsOf(game.id, points);
      const scores = scoresOf(game, given);
      const score = scores[index];
      if (!score) return [];
      return [{ game, side: side.name, score, scores, own: ownPoints(given).get(studentId) ?? 0 }];
    });
}

/** A line of the table of who did how much. */
export interface PlayedBy {
  studentId: string;
  games: number;
  /** Games whose first place was theirs, alone or shared. */
  won: number;
  own: number;
}

/** For each student who was in a game: how many, how often first, and what they earned alone. Games that go on count as they stand. */
export function playedBy(games: readonly Game[], points: readonly GamePoint[]): PlayedBy[] {
  const ids = new Set(games.flatMap(({ sides }) => sides.flatMap(({ studentIds }) => studentIds)));
  return [...ids].map((studentId) => {
    const of = gamesOf(studentId, games, points);
    return {
      studentId,
      games: of.length,
      won: of.filter(({ score, scores }) => score.place === 1 && scores.some(({ place }) => place > 1))
        .length,
      own: of.reduce((sum, { own }) => sum + own, 0),
    };
  });
}
