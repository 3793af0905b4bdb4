import Pause from 'lucide-react-native/icons/pause';
import Play from 'lucide-react-native/icons/play';
import TimerIcon from 'lucide-react-native/icons/timer';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { readClock } from '@slate-path/core/observation/sides/amount';
import { clockOf, clockWords, started, stopped } from '@slate-path/core/observation/sides/clock';
import type { Game } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Field } from '../../../parts/Field';
import { IconAction } from '../../../parts/IconAction';
import { Sheet } from '../../../parts/Sheet';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { now } from '../../../sync/clock';
import { space, target } from '../../../theme/tokens';
import { setGame } from './playing';
import { useSecondsLeft } from './useClock';

const usual = [1, 2, 3, 5, 10];

function ClockSheet({ game, onClose }: { game: Game; onClose: () => void }) {
  const [typed, setTyped] = useState('');
  const [error, setError] = useState<string>();
  const set = (seconds: number) => {
    setGame(game, { clock: started(clockOf(seconds), now()) });
    onClose();
  };
  const start = () => {
    const seconds = readClock(typed);
    if (seconds === null)
      setError('Type minutes, as 4, or minutes and seconds, as 2:30. The clock is as it was.');
    else set(seconds);
  };
  return (
    <Sheet title="The clock" note="It runs down, on this device and on the big screen." onClose={onClose}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        {usual.map((minutes) => (
          <Action
            key={minutes}
            label={`${minutes} min`}
            onPress={() => {
              set(minutes * 60);
            }}
          />
        ))}
      </View>
      <Field
        label="Minutes, or minutes and seconds"
        value={typed}
        onChange={setTyped}
        error={error}
        onSubmit={start}
      />
      <Action label="Start the clock" kind="main" onPress={start} />
      {game.clock ? (
        <Action
          label="Take the clock away"
          onPress={() => {
            setGame(game, { clock: null });
            onClose();
          }}
        />
      ) : null}
    </Sheet>
  );
}

/** The clock of a game: how much is left, stopped and started by one tap. The phone shakes once when it has run out. */
export function ClockControl({ game }: { game: Game }) {
  const [open, setOpen] = useState(false);
  const { clock } = game;
  const left = useSecondsLeft(clock);
  const was = useRef(left);
  useEffect(() => {
    if (left === 0 && was.current !== null && was.current > 0 && 'vibrate' in navigator)
      navigator.vibrate(400);
    was.current = left;
  }, [left]);
  const openSheet = () => {
    setOpen(true);
  };
  const isRunning = clock !== null && clock.runningSince !== null && left !== 0;
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center' }}>
      {clock === null || left === null ? (
        <IconAction name="Set a clock" icon={TimerIcon} tone="slate" onPress={openSheet} />
      ) : (
        <>
          <TapArea
            name={`Clock: ${clockWords(left)} left. Change it`}
            onTap={openSheet}
            style={{ minHeight: target, minWidth: target, justifyContent: 'center' }}
          >
            <Words size="large" serif figures tone={left === 0 ? 'ember' : 'ink'}>
              {clockWords(left)}
            </Words>
          </TapArea>
          <IconAction
            name={isRunning ? 'Stop the clock' : left === 0 ? 'Start the clock anew' : 'Start the clock'}
            icon={isRunning ? Pause : Play}
            tone="slate"
            onPress={() => {
              setGame(game, { clock: isRunning ? stopped(clock, now()) : started(clock, now()) });
            }}
          />
        </>
      )}
      {open ? (
        <ClockSheet
          game={game}
          onClose={() => {
            setOpen(false);
          }}
        />
      ) : null}
    </View>
  );
}
