import { useState } from 'react';
import { View } from 'react-native';
import { sumWords } from '@slate-path/core/observation/sides/amount';
import { clockWords } from '@slate-path/core/observation/sides/clock';
import { standingSentence } from '@slate-path/core/observation/sides/standing';
import { toneName } from '@slate-path/core/observation/tone/levels';
import type { Game } from '@slate-path/core/records/schema';
import { SideMark } from '../../../parts/SideMark';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { radius } from '../../../theme/tokens';
import { ToneSign } from '../tone/ToneSign';
import { useTone } from '../tone/toneOf';
import { bigSizes } from './bigSizes';
import { useGames, useScores } from './playing';
import { useSecondsLeft } from './useClock';

interface Room {
  width: number;
  height: number;
}

function BigGame({ game, room }: { game: Game; room: Room }) {
  const palette = usePalette();
  const { scores } = useScores(game);
  const left = useSecondsLeft(game.clock);
  const digits = Math.max(...scores.map(({ points }) => sumWords(points).length));
  const sizes = bigSizes(
    room,
    game.sides.map(({ name }) => name),
    digits,
  );
  const isLed = scores.some(({ place }) => place > 1);
  return (
    <View style={{ width: room.width, height: room.height, gap: sizes.gap }}>
      <View style={{ height: sizes.head, flexDirection: 'row', alignItems: 'center', gap: sizes.gap }}>
        <View style={{ flex: 1 }} aria-live="polite" testID="big-standing">
          <Words serif lines={2} style={{ fontSize: sizes.text, lineHeight: sizes.text * 1.15 }}>
            {standingSentence(game, scores)}
          </Words>
        </View>
        <Words figures style={{ fontSize: sizes.text, lineHeight: sizes.text * 1.3 }}>
          {`Round ${game.round}`}
        </Words>
        {left === null ? null : (
          <Words
            serif
            figures
            testID="big-clock"
            tone={left === 0 ? 'ember' : 'ink'}
            style={{ fontSize: sizes.text * 1.7, lineHeight: sizes.text * 1.9 }}
          >
            {left === 0 ? 'Time' : clockWords(left)}
          </Words>
        )}
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: sizes.gap }}>
        {scores.map((score) => {
          const side = game.sides[score.side];
          const letters = sizes.names[score.side] ?? sizes.small;
          const leads = isLed && score.place === 1;
          return side ? (
            <View
              key={score.side}
              role="group"
              aria-label={`${side.name}: ${score.points}${leads ? ', leads' : ''}`}
              testID="big-side"
              style={{
                width: sizes.cell.width,
                height: sizes.cell.height,
                alignItems: 'center',
                justifyContent: 'center',
                paddingHorizontal: sizes.gap / 2,
                borderRadius: radius.card * 2,
                borderWidth: leads ? sizes.border * 3 : sizes.border,
                borderColor: leads ? palette.ink : palette.line,
                backgroundColor: leads ? palette.slateWash : palette.surface,
              }}
            >
              <View style={{ flexDirection: 'row', alignItems: 'center', gap: letters * 0.4 }}>
                <SideMark mark={side.mark} size={letters * 1.15} color={palette.ink} />
                <Words bold lines={2} style={{ flexShrink: 1, fontSize: letters, lineHeight: letters * 1.2 }}>
                  {side.name}
                </Words>
              </View>
              <Words serif figures style={{ fontSize: sizes.points, lineHeight: sizes.points * 1.1 }}>
                {sumWords(score.points)}
              </Words>
              <Words bold={leads} style={{ fontSize: sizes.small, lineHeight: sizes.small * 1.3 }}>
                {leads ? 'leads' : side.studentIds.length === 0 ? 'nobody is in it' : ' '}
              </Words>
            </View>
          ) : null;
        })}
      </View>
    </View>
  );
}

function BigTone({ level, room }: { level: number; room: Room }) {
  const size = Math.max(Math.min(room.width, room.height * 0.75), 60);
  const letters = Math.max(Math.min(size * 0.18, 120), 16);
  return (
    <View
      style={{ width: room.width, height: room.height, alignItems: 'center', justifyContent: 'center' }}
      aria-live="polite"
      testID="big-tone"
    >
      <ToneSign level={level} size={size} />
      <Words serif style={{ fontSize: letters, lineHeight: letters * 1.4 }}>
        {toneName(level)}
      </Words>
    </View>
  );
}

/** What a lesson shows to the whole room: the sides of the last game, and beside them, or alone, the tone. */
export function BigBoard({ lessonId }: { lessonId: string }) {
  const [room, setRoom] = useState<Room>({ width: 0, height: 0 });
  const game = useGames(lessonId).at(-1);
  const level = useTone(lessonId);
  const beside = level !== null && room.width > room.height;
  const share = game && level !== null ? 0.22 : 0;
  const gap = room.width * 0.015;
  const games: Room = beside
    ? { width: room.width * (1 - share) - gap, height: room.height }
    : { width: room.width, height: room.height * (1 - share) };
  const tones: Room = !game
    ? room
    : beside
      ? { width: room.width * share, height: room.height }
      : { width: room.width, height: room.height * share };
  return (
    <View
      style={{
        flex: 1,
        alignSelf: 'stretch',
        flexDirection: beside ? 'row' : 'column',
        gap: beside ? gap : 0,
      }}
      onLayout={({ nativeEvent: { layout } }) => {
        setRoom({ width: layout.width, height: layout.height });
      }}
    >
      {room.width > 0 && game ? <BigGame game={game} room={games} /> : null}
      {room.width > 0 && level !== null ? <BigTone level={level} room={tones} /> : null}
      {game || level !== null ? null : (
        <Words
          size="title"
          serif
          style={{ alignSelf: 'center', marginVertical: 'auto', textAlign: 'center' }}
        >
          Sides and the tone of the room show here as soon as there are some.
        </Words>
      )}
    </View>
  );
}
