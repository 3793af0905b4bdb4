import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { displayName } from '@slate-path/core/people/names';
import type { WatchSetting } from '@slate-path/core/records/schema';
import { streamNames, type StreamName } from '@slate-path/core/watch/signals/names';
import { usualLines } from '@slate-path/core/watch/signals/usualLines';
import type { WatchPreview } from '@slate-path/core/watch/signals/preview';
import { Action } from '../../parts/Action';
import { Choice } from '../../parts/Choice';
import { dayMonth } from '../../parts/dates';
import { Field } from '../../parts/Field';
import { Page } from '../../parts/Page';
import { TickRow } from '../../parts/TickRow';
import { Words } from '../../parts/Words';
import { useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { ApiProblem, post } from '../../sync/api';
import { makeChange } from '../../sync/outbox';
import { TakeBack } from '../../sync/TakeBack';
import { useSections } from '../../sync/sections';
import { useRecords } from '../../sync/useRecords';
import { useView } from '../../sync/views';
import { concernName } from './concernName';

type Setting = Omit<WatchSetting, 'id' | 'removed'>;

const streamLabels: Record<StreamName, string> = {
  presence: 'Lessons missed',
  lateness: 'Coming late',
  voice: 'Being heard (wanted tallies)',
  trouble: 'Trouble (unwanted tallies)',
  engagement: 'Engagement (sweeps)',
  weather: 'Inner weather (check-ins)',
  online: 'Work online',
  hand_in: 'Work handed in',
  score: 'Scores',
  stuck: 'Notes on topics of trouble',
};

const usual = (sectionId: string): Setting => ({
  sectionId,
  streams: [...streamNames],
  ...usualLines,
  shares: [...usualLines.shares],
});

/** What is typed, until it is numbers. */
interface Typed {
  shares: string;
  fewestTaken: string;
  inARow: string;
  missingOfFive: string;
}

const typedOf = ({ shares, fewestTaken, inARow, missingOfFive }: Setting): Typed => ({
  shares: shares.map((share) => String(Math.round(share * 100))).join(', '),
  fewestTaken: String(fewestTaken),
  inARow: String(inARow),
  missingOfFive: String(missingOfFive),
});

const isWhole = (text: string, from: number, to: number) =>
  /^\d{1,3}$/.test(text.trim()) && Number(text) >= from && Number(text) <= to;

function problemsOf({ shares, fewestTaken, inARow, missingOfFive }: Typed): Partial<Typed> {
  const lines = shares.split(/[,;\s]+/).filter(Boolean);
  return {
    ...(lines.length === 0 || lines.length > 5 || lines.some((text) => !isWhole(text, 1, 100))
      ? { shares: 'Up to five percentages from 1 to 100, like 5, 10, 20' }
      : {}),
    ...(isWhole(fewestTaken, 5, 100) ? {} : { fewestTaken: 'A number from 5 to 100' }),
    ...(isWhole(inARow, 2, 20) ? {} : { inARow: 'A number from 2 to 20' }),
    ...(isWhole(missingOfFive, 1, 5) ? {} : { missingOfFive: 'A number from 1 to 5' }),
  };
}

function settingOf(sectionId: string, streams: readonly StreamName[], typed: Typed): Setting {
  const shares = typed.shares
    .split(/[,;\s]+/)
    .filter(Boolean)
    .map((text) => Number(text) / 100);
  return {
    sectionId,
    streams: [...streams],
    shares: shares.sort((a, b) => a - b),
    fewestTaken: Number(typed.fewestTaken),
    inARow: Number(typed.inARow),
    missingOfFive: Number(typed.missingOfFive),
  };
}

/** Whom the setting would have listed: how many, who, when. */
function Preview({ preview }: { preview: WatchPreview }) {
  const students = useRecords((state) => state.current.student);
  const concerns = preview.entries.filter(({ concern }) => concern !== 'over_a_line');
  const facts = preview.entries.length - concerns.length;
  return (
    <View style={{ gap: space(1) }} aria-live="polite">
      <Words
        bold
      >{`In the last four weeks it would have listed ${concerns.length === 0 ? 'nobody' : concerns.length}${facts > 0 ? `, and ${facts} over a line` : ''}.`}</Words>
      {concerns.map(({ studentId, concern, firstOn, lastOn }) => (
        <Words key={`${studentId} ${concern}`}>
          {`${students[studentId] ? displayName(students[studentId]) : ''}: ${concernName(concern).toLowerCase()}, ${firstOn === lastOn ? dayMonth(firstOn) : `${dayMonth(firstOn)} to ${dayMonth(lastOn)}`}`}
        </Words>
      ))}
    </View>
  );
}

const numberLines: { field: Exclude<keyof Typed, 'shares'>; label: string }[] = [
  { field: 'fewestTaken', label: 'From so many lessons taken' },
  { field: 'inARow', label: 'Lessons missed in a row' },
  { field: 'missingOfFive', label: 'Of the last five pieces of work, missing' },
];

function SettingForm({ sectionId }: { sectionId: string }) {
  const wide = useWide();
  const kept = useRecords((state) => state.current.watchSetting[sectionId]);
  const [start] = useState<Setting>(() => (kept && !kept.removed ? kept : usual(sectionId)));
  const [streams, setStreams] = useState<readonly StreamName[]>(start.streams);
  const [typed, setTyped] = useState<Typed>(() => typedOf(start));
  const [preview, setPreview] = useState<WatchPreview | null>(null);
  const [state, setState] = useState<'idle' | 'asking' | 'saved'>('idle');
  const [failure, setFailure] = useState('');
  const problems = problemsOf(typed);
  const isGood = Object.keys(problems).length === 0;
  const edit = (field: keyof Typed) => (value: string) => {
    setTyped({ ...typed, [field]: value });
    setPreview(null);
    setState('idle');
  };
  const ask = async () => {
    setState('asking');
    setFailure('');
    try {
      setPreview(await post(addressOf('previewWatch', { sectionId }), settingOf(sectionId, streams, typed)));
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      setFailure(
        error.status === 0
          ? 'The server cannot be reached, so it cannot be tried out now. You can save all the same.'
          : error.detail,
      );
    }
    setState('idle');
  };
  return (
    <View style={{ flexDirection: wide ? 'row' : 'column', gap: space(wide ? 8 : 4) }}>
      <View style={{ flex: wide ? 1 : undefined }}>
        <Words bold heading={2}>
          What is watched
        </Words>
        {streamNames.map((stream) => (
          <TickRow
            key={stream}
            name={streamLabels[stream]}
            ticked={streams.includes(stream)}
            onChange={(ticked) => {
              setStreams(ticked ? [...streams, stream] : streams.filter((name) => name !== stream));
              setPreview(null);
              setState('idle');
            }}
          >
            <Words>{streamLabels[stream]}</Words>
          </TickRow>
        ))}
      </View>
      <View style={{ gap: space(4), flex: wide ? 1 : undefined }}>
        <Words bold heading={2}>
          Lines
        </Words>
        <Field
          label="Percent of lessons missed"
          value={typed.shares}
          onChange={edit('shares')}
          error={problems.shares}
          hint="Crossing one is a fact. Surely over the highest, or all but certainly over the next, is a concern."
        />
        {numberLines.map(({ field, label }) => (
          <Field
            key={field}
            label={label}
            value={typed[field]}
            onChange={edit(field)}
            error={problems[field]}
            keyboard="number-pad"
          />
        ))}
        {preview ? <Preview preview={preview} /> : null}
        {failure ? (
          <Words tone="ember" live>
            {failure}
          </Words>
        ) : null}
        {state === 'saved' ? (
          <Words tone="inkQuiet" live>
            Kept for this class.
          </Words>
        ) : null}
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
          <Action
            label={state === 'asking' ? 'Trying it out…' : 'Try it on the last four weeks'}
            kind={preview ? 'plain' : 'main'}
            disabled={!isGood || state === 'asking'}
            onPress={() => {
              void ask();
            }}
          />
          {preview || failure ? (
            <Action
              label="Keep for this class"
              kind="main"
              disabled={!isGood}
              onPress={() => {
                makeChange('watchSetting.set', settingOf(sectionId, streams, typed), `watch ${sectionId}`);
                setState('saved');
              }}
            />
          ) : null}
        </View>
      </View>
    </View>
  );
}

/** Which streams and lines are watched in a class, tried on the last four weeks before it is kept. */
export function WatchSettingsScreen() {
  const { section: first } = useLocalSearchParams<{ section?: string }>();
  const { state } = useView(addressOf('watch'));
  const classes = useSections();
  const [sectionId, setSectionId] = useState(first ?? '');
  const chosen = classes.find(({ id }) => id === sectionId) ?? classes[0];
  return (
    <Page
      title="What is watched"
      note="For each class its own"
      back={{ to: '/watch', name: 'Who needs me' }}
      tools={chosen ? <TakeBack about={`watch ${chosen.id}`} /> : null}
    >
      {classes.length > 1 ? (
        <Choice
          name="Class"
          value={chosen?.id ?? ''}
          options={classes.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={setSectionId}
        />
      ) : null}
      {chosen && state !== 'loading' ? <SettingForm key={chosen.id} sectionId={chosen.id} /> : null}
    </Page>
  );
}
