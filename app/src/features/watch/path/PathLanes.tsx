import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { G, Line, Rect, Text as SvgText } from 'react-native-svg';
import { many } from '@slate-path/core/words/many';
import { addDays, datesBetween, daysBetween, weekdayOf } from '@slate-path/core/calendar/localTime';
import { choiceLook } from '../../../parts/choiceLook';
import { dayMonth } from '../../../parts/dates';
import { choicePhrase, Sentence } from '../../../parts/Sentence';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { fonts, space, target } from '../../../theme/tokens';
import {
  ElsewhereLane,
  EngagementLane,
  left,
  PinShape,
  PresenceLane,
  StrokesLane,
  WeatherLane,
  within,
  type Drawing,
} from './lanes';
import type { LaneName, PathData, Pin } from './pathData';

const reaches = ['week', 'month', 'term'] as const;
type Reach = (typeof reaches)[number];
const reachNames: Record<Reach, string> = { week: 'One week', month: 'One month', term: 'The term' };
const reachDays: Record<Exclude<Reach, 'term'>, number> = { week: 7, month: 31 };

const laneNames: Record<LaneName, string> = {
  engagement: 'Engagement',
  presence: 'There',
  elsewhere: 'Elsewhere',
  voice: 'Heard',
  trouble: 'Trouble',
  weather: 'Weather',
  pins: 'Notes, nods, steps',
};
const laneHeights: Record<LaneName, number> = {
  engagement: 64,
  presence: 30,
  elsewhere: 42,
  voice: 40,
  trouble: 40,
  weather: 44,
  pins: 34,
};
/** What a date over the lanes takes, with some air. */
const dateRoom = 60;
const axisHeight = 24;

/** Which lanes are drawn: those that have anything, less those put out of sight. */
function Filters({
  names,
  hidden,
  onChange,
}: {
  names: readonly LaneName[];
  hidden: ReadonlySet<LaneName>;
  onChange: (hidden: ReadonlySet<LaneName>) => void;
}) {
  const palette = usePalette();
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
      {names.map((name) => {
        const shown = !hidden.has(name);
        return (
          <Pressable
            key={name}
            role="checkbox"
            aria-checked={shown}
            aria-label={`Lane: ${laneNames[name]}`}
            onPress={() => {
              const next = new Set(hidden);
              if (shown) next.add(name);
              else next.delete(name);
              onChange(next);
            }}
            style={choiceLook(palette, shown)}
          >
            <Words bold={shown} tone={shown ? 'ink' : 'inkQuiet'}>
              {laneNames[name]}
            </Words>
          </Pressable>
        );
      })}
    </View>
  );
}

/** One student's line of time: lanes that share one axis, days off as gaps, the onset of a concern through all of them. */
export function PathLanes({ data, today }: { data: PathData; today: string }) {
  const palette = usePalette();
  const router = useRouter();
  const [width, setWidth] = useState(0);
  const [reach, setReach] = useState<Reach>('term');
  const [hidden, setHidden] = useState<ReadonlySet<LaneName>>(new Set());
  const [filtering, setFiltering] = useState(false);
  const [picked, setPicked] = useState<Pin | null>(null);
  const from = reach === 'term' ? data.startsOn : addDays(today, 1 - reachDays[reach]);
  const days = Math.max(1, daysBetween(from, today) + 1);
  const step = (width - left - 8) / days;
  const x = (date: string) => left + (daysBetween(from, date) + 0.5) * step;
  const lanes = data.lanes.filter((name) => !hidden.has(name));
  const tops = new Map<LaneName, number>();
  let height = axisHeight;
  for (const name of lanes) {
    tops.set(name, height);
    height += laneHeights[name];
  }
  const mondays = datesBetween(from, today).filter((date) => weekdayOf(date) === 1 || reach === 'week');
  const every = Math.ceil(mondays.length / Math.max(1, Math.floor((width - left) / dateRoom)));
  const pins = within(data.pins, from);
  const text = { fontFamily: fonts.text, fontSize: 13, fill: palette.inkQuiet };
  const drawing = (name: LaneName): Drawing => ({ x, palette, data, from, top: tops.get(name) ?? 0 });
  return (
    <View style={{ gap: space(3) }}>
      <Sentence
        parts={[
          choicePhrase<Reach>({
            name: 'choose how far back',
            value: reach,
            options: reaches.map((value) => ({ value, label: reachNames[value] })),
            onChange: setReach,
          }),
          ' with ',
          {
            words:
              hidden.size === 0
                ? 'everything there is'
                : `${lanes.length} of ${many(data.lanes.length, 'lane')}`,
            name: 'choose what is drawn',
            held: filtering,
            onTap: () => {
              setFiltering(!filtering);
            },
          },
          '.',
        ]}
      />
      {filtering ? <Filters names={data.lanes} hidden={hidden} onChange={setHidden} /> : null}
      <View
        role="group"
        aria-label={data.spoken}
        onLayout={({ nativeEvent }) => {
          setWidth(nativeEvent.layout.width);
        }}
      >
        {width === 0 ? null : (
          <Svg width={width} height={height + 4}>
            {data.daysOff.map(({ startsOn, endsOn }) =>
              endsOn < from ? null : (
                <Rect
                  key={startsOn}
                  x={Math.max(left, x(startsOn) - step / 2)}
                  y={axisHeight}
                  width={Math.max(0, x(endsOn) + step / 2 - Math.max(left, x(startsOn) - step / 2))}
                  height={height}
                  fill={palette.line}
                  opacity={0.35}
                />
              ),
            )}
            {mondays.map((date, at) => (
              <G key={date}>
                <Line
                  x1={x(date) - step / 2}
                  x2={x(date) - step / 2}
                  y1={axisHeight - 4}
                  y2={height}
                  stroke={palette.line}
                  strokeWidth={1}
                />
                {at % every === 0 && x(date) + dateRoom - 12 <= width ? (
                  <SvgText {...text} x={x(date) - step / 2 + 3} y={14}>
                    {dayMonth(date)}
                  </SvgText>
                ) : null}
              </G>
            ))}
            {lanes.map((name) => (
              <G key={name}>
                <Line
                  x1={0}
                  x2={width}
                  y1={tops.get(name) ?? 0}
                  y2={tops.get(name) ?? 0}
                  stroke={palette.line}
                  strokeWidth={1}
                />
                <SvgText {...text} x={0} y={(tops.get(name) ?? 0) + 20}>
                  {name === 'pins' ? 'Pins' : laneNames[name]}
                </SvgText>
                {name === 'engagement' ? <EngagementLane {...drawing(name)} /> : null}
                {name === 'presence' ? <PresenceLane {...drawing(name)} /> : null}
                {name === 'voice' || name === 'trouble' ? (
                  <StrokesLane {...drawing(name)} kind={name} />
                ) : null}
                {name === 'elsewhere' ? <ElsewhereLane {...drawing(name)} /> : null}
                {name === 'weather' ? <WeatherLane {...drawing(name)} /> : null}
                {name === 'pins'
                  ? pins.map((pin) => (
                      <PinShape
                        key={pin.id}
                        pin={pin}
                        at={x(pin.date)}
                        top={tops.get(name) ?? 0}
                        palette={palette}
                      />
                    ))
                  : null}
              </G>
            ))}
            {data.onsets
              .filter((date) => date >= from)
              .map((date) => (
                <Line
                  key={date}
                  x1={x(date) - step / 2}
                  x2={x(date) - step / 2}
                  y1={axisHeight - 4}
                  y2={height}
                  stroke={palette.ember}
                  strokeWidth={2}
                  strokeDasharray="5 4"
                />
              ))}
          </Svg>
        )}
        {lanes.includes('pins')
          ? pins.map((pin) => (
              <Pressable
                key={pin.id}
                role="button"
                aria-label={`${dayMonth(pin.date)}: ${pin.words}`}
                onPress={() => {
                  setPicked(pin);
                }}
                style={{
                  position: 'absolute',
                  left: x(pin.date) - target / 2,
                  top: (tops.get('pins') ?? 0) - 5,
                  width: target,
                  height: target,
                }}
              />
            ))
          : null}
      </View>
      {picked ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space(2) }}>
          <Words style={{ flexShrink: 1 }}>{`${dayMonth(picked.date)}: ${picked.words}`}</Words>
          {picked.noteId ? (
            <Pressable
              role="link"
              aria-label="Open this note"
              onPress={() => {
                router.push({ pathname: '/notes/[noteId]', params: { noteId: picked.noteId ?? '' } });
              }}
              style={{ minHeight: target, justifyContent: 'center' }}
            >
              <Words bold tone="slate">
                Open the note
              </Words>
            </Pressable>
          ) : null}
        </View>
      ) : null}
    </View>
  );
}
