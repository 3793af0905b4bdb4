import { View } from 'react-native';
import { sumWords } from '@slate-path/core/observation/sides/amount';
import { ownPoints, type SideScore } from '@slate-path/core/observation/sides/scores';
import { standingSentence } from '@slate-path/core/observation/sides/standing';
import type { Game, GamePoint } from '@slate-path/core/records/schema';
import { Card } from '../../../parts/Card';
import { SideMark } from '../../../parts/SideMark';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { useScores } from './playing';

interface GameResultProps {
  game: Game;
  nameOf: (studentId: string) => string;
  /** The day, where the game stands among those of other lessons. */
  day?: string;
}

function whoEarned(
  side: Game['sides'][number],
  own: ReadonlyMap<string, number>,
  nameOf: (id: string) => string,
) {
  const names = side.studentIds
    .map((id) => ({ name: nameOf(id), points: own.get(id) ?? 0 }))
    .sort((a, b) => b.points - a.points || a.name.localeCompare(b.name));
  return names.map(({ name, points }) => (points === 0 ? name : `${name} ${sumWords(points)}`)).join(', ');
}

function SideLine(props: {
  game: Game;
  score: SideScore;
  points: readonly GamePoint[];
  nameOf: (id: string) => string;
}) {
  const { game, score, points, nameOf } = props;
  const palette = usePalette();
  const side = game.sides[score.side];
  if (!side) return null;
  const rounds = score.byRound.length > 1 ? score.byRound.map(sumWords).join(' + ') : '';
  return (
    <View style={{ gap: 2 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
        <SideMark mark={side.mark} size={20} color={palette.ink} />
        <Words bold style={{ flex: 1 }} lines={1}>
          {side.name}
        </Words>
        <Words size="small" tone="inkQuiet" figures>
          {rounds}
        </Words>
        <Words bold figures>
          {sumWords(score.points)}
        </Words>
      </View>
      <Words size="small" tone="inkQuiet" figures>
        {side.studentIds.length === 0 ? 'Nobody was in it' : whoEarned(side, ownPoints(points), nameOf)}
      </Words>
    </View>
  );
}

/** How a game came out: the sides by place with the points of their rounds, who was in them and who earned what. */
export function GameResult({ game, nameOf, day }: GameResultProps) {
  const { points, scores } = useScores(game);
  const title = [game.name || 'A game', day].filter(Boolean).join(', ');
  return (
    <Card style={{ gap: space(3) }}>
      <View>
        <Words size="large" serif heading={2}>
          {title}
        </Words>
        <Words>{standingSentence(game, scores)}</Words>
      </View>
      {scores
        .toSorted((a, b) => a.place - b.place)
        .map((score) => (
          <SideLine key={score.side} game={game} score={score} points={points} nameOf={nameOf} />
        ))}
    </Card>
  );
}
