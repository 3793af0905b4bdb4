import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { initialsOf } from '@slate-path/core/notes/forReader';
import { displayName } from '@slate-path/core/people/names';
import { localMoment } from '@slate-path/core/calendar/zone';
import type { Quiet } from '@slate-path/core/records/schema';
import type { StepOutcome } from '@slate-path/core/watch/signals/stepOutcome';
import { outcomeInWords } from '@slate-path/core/watch/signals/outcomeWords';
import type { Evidence } from '@slate-path/core/watch/signals/evidence';
import { quietId } from '@slate-path/core/watch/signals/quiet';
import type { StreamName } from '@slate-path/core/watch/signals/names';
import type { WatchItem } from '@slate-path/core/watch/signals/watchClass';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { dayMonth, shortDay } from '../../parts/dates';
import { Empty } from '../../parts/Empty';
import { LinkRow } from '../../parts/LinkRow';
import { Page } from '../../parts/Page';
import { Words } from '../../parts/Words';
import { lazily } from '../../parts/lazily';
import { space } from '../../theme/tokens';
import { zoneOf } from '../../sync/clock';
import { makeChange, type Concerns } from '../../sync/outbox';
import { TakeBack } from '../../sync/TakeBack';
import { useSectionName } from '../../sync/sections';
import { useAsking } from '../../sync/useAsking';
import { useRecords } from '../../sync/useRecords';
import { concernName } from './concernName';
import { axes } from './axes';
import { strengthWords, useWatch, watchAbout, type Shown } from './useWatch';

const EvidenceChart = lazily(() => import('./EvidenceChart'));
const ActSheet = lazily(() => import('./ActSheet'));

/** Where a record of a stream opens: the lesson, the piece of work, or the day elsewhere; nothing for notes. */
function useOpenRecord(evidence: Evidence, { sectionId, studentId }: WatchItem) {
  const router = useRouter();
  const lesson = (lessonId: string) => {
    router.push({ pathname: '/lessons/[lessonId]', params: { lessonId } });
  };
  const piece = (workId: string) => {
    router.push({ pathname: '/classes/[sectionId]/pieces/[workId]', params: { sectionId, workId } });
  };
  const day = (date: string) => {
    router.push({
      pathname: '/classes/[sectionId]/work/[studentId]',
      params: { sectionId, studentId, date },
    });
  };
  const leads: Partial<Record<StreamName, { name: string; open: (source: string) => void } | null>> = {
    online: { name: 'Open the day', open: day },
    hand_in: { name: 'Open the piece of work', open: piece },
    score: { name: 'Open the piece of work', open: piece },
    stuck: null,
  };
  const lead = leads[evidence.stream];
  return lead === undefined ? { name: 'Open the lesson', open: lesson } : lead;
}

/** The records behind one piece of evidence, the last first; each opens where it was made. */
function RecordsBehind({ evidence, item }: { evidence: Evidence; item: WatchItem }) {
  const lead = useOpenRecord(evidence, item);
  const axis = axes[evidence.stream];
  const behind = evidence.points.filter(({ date }) => date >= evidence.since).toReversed();
  const words = (value: number) =>
    axis.yesNo
      ? value > 0
        ? evidence.stream === 'hand_in' && value === 1
          ? 'late'
          : axis.yesNo[1]
        : axis.yesNo[0]
      : String(value);
  return (
    <View>
      {behind.map(({ date, source, value, classMiddle }) => {
        const line = `${shortDay(date)}: ${words(value)}${axis.yesNo || classMiddle === null ? '' : `, the class’s middle ${classMiddle}`}`;
        return (
          <LinkRow
            key={`${date}${source}`}
            words={line}
            name={`${lead?.name ?? ''}, ${line}`}
            onOpen={
              lead &&
              (() => {
                lead.open(source);
              })
            }
          />
        );
      })}
    </View>
  );
}

const kindNames = { change: 'A change', level: 'A line', pattern: 'A pattern' } as const;

/** What is not yet a change by itself has nothing that would clear it: it only adds to the others. */
function titleOf({ kind, since, clears }: Evidence): string {
  if (kind !== 'change') return kindNames[kind];
  return `${clears ? kindNames.change : 'Weaker signs'} since ${dayMonth(since)}`;
}

function EvidencePart({ evidence, item }: { evidence: Evidence; item: WatchItem }) {
  const [open, setOpen] = useState(false);
  const said = evidence.words.charAt(0).toUpperCase() + evidence.words.slice(1);
  return (
    <Card style={{ gap: space(2) }}>
      <Words bold heading={2}>
        {titleOf(evidence)}
      </Words>
      <Words>{`${said}.`}</Words>
      <EvidenceChart evidence={evidence} spoken={said} />
      {evidence.clears ? <Words tone="inkQuiet">{`It clears with ${evidence.clears}.`}</Words> : null}
      <View style={{ alignItems: 'flex-start' }}>
        <Action
          label={open ? 'Hide the records' : 'The records behind it'}
          onPress={() => {
            setOpen(!open);
          }}
        />
      </View>
      {open ? <RecordsBehind evidence={evidence} item={item} /> : null}
    </Card>
  );
}

/** What was tried, with what became of it: the class's own change taken off, honest where it is too early. */
function Steps({ shown, outcomes }: { shown: Shown; outcomes: Readonly<Record<string, StepOutcome[]>> }) {
  const zone = useRecords((state) => zoneOf(Object.values(state.current.school)[0]));
  return (
    <View style={{ gap: space(2) }}>
      <Words bold heading={2}>
        What was tried
      </Words>
      {shown.steps.length === 0 ? (
        <Words tone="inkQuiet">Nothing yet. A step keeps what you did, and what changed since.</Words>
      ) : null}
      {shown.steps.map((step) => {
        const { date } = localMoment(Date.parse(step.at), zone);
        const again = step.lookAgainOn ? ` Look again on ${dayMonth(step.lookAgainOn)}.` : '';
        return (
          <Card key={step.id} style={{ gap: space(1) }}>
            <Words bold>{`${step.kind}, ${shortDay(date)}`}</Words>
            {step.text ? <Words>{step.text}</Words> : null}
            {again ? <Words tone="inkQuiet">{again.trim()}</Words> : null}
            {(outcomes[step.id] ?? []).slice(0, 3).map((outcome) => (
              <Words
                key={outcome.stream}
                tone={
                  outcome.verdict === 'better' ? 'lichen' : outcome.verdict === 'worse' ? 'clay' : 'inkQuiet'
                }
              >
                {outcomeInWords(outcome, date)}
              </Words>
            ))}
          </Card>
        );
      })}
    </View>
  );
}

function Aside({ quiet }: { quiet: Quiet }) {
  const { studentId, sectionId, concern, until, because } = quiet;
  return (
    <Card style={{ gap: space(1) }}>
      <Words>
        {until ? `Put aside until ${dayMonth(until)}. ${because}` : `Not a concern, because: ${because}`}
      </Words>
      <View style={{ alignItems: 'flex-start' }}>
        <Action
          label="Show it again"
          onPress={() => {
            makeChange('concern.show', { studentId, sectionId, concern }, watchAbout);
          }}
        />
      </View>
    </Card>
  );
}

/** Steps about a student, and what keeps their concern quiet: what *Take back* means on its page. */
const ofConcern =
  ({ section, student, concern }: { section: string; student: string; concern: string }): Concerns =>
  ({ table, id }) =>
    table === 'step'
      ? useRecords.getState().current.step[id]?.studentId === student
      : table === 'quiet' && id === quietId(section, student, concern);

/** One concern: all evidence with the records behind it, what would clear it, what was tried. */
export function ConcernScreen() {
  const about = useLocalSearchParams<{ section: string; student: string; concern: string }>();
  const { concerns, sections, state } = useWatch();
  const { section: sectionId, student: studentId, concern } = about;
  const own = useMemo(
    () => ofConcern({ section: sectionId, student: studentId, concern }),
    [sectionId, studentId, concern],
  );
  const router = useRouter();
  const asking = useAsking();
  const [acting, setActing] = useState(false);
  const student = useRecords((records) => records.current.student[about.student]);
  const className = useSectionName(about.section);
  const back = { to: '/watch' as const, name: 'Who needs me' };
  const shown = concerns.find(
    ({ item }) =>
      item.sectionId === about.section && item.studentId === about.student && item.concern === about.concern,
  );
  const outcomes = sections.find(({ sectionId }) => sectionId === about.section)?.outcomes ?? {};
  const title = student ? displayName(student) : 'Concern';
  const tab = `Concern, ${student ? initialsOf(student) : ''}`;
  if (!shown)
    return (
      <Page title={title} tab={tab} back={back}>
        {state === 'loading' ? (
          <Words tone="inkQuiet">{asking}</Words>
        ) : (
          <Empty title="No concern any more">
            What was told here is as usual again, or another class was meant.
          </Empty>
        )}
      </Page>
    );
  const { item } = shown;
  return (
    <Page
      title={title}
      tab={tab}
      note={className}
      back={back}
      tools={<TakeBack about={watchAbout} concerns={own} />}
      main={{
        label: 'Act',
        name: `Act on ${title}`,
        onPress: () => {
          setActing(true);
        },
      }}
      acts={[
        {
          label: 'Open path',
          name: `Open the path of ${title}`,
          onPress: () => {
            router.push({ pathname: '/students/[studentId]', params: { studentId } });
          },
        },
        ...(item.concern === 'absent'
          ? []
          : [
              {
                label: 'Open work',
                name: `Open work of ${title}`,
                onPress: () => {
                  router.push({
                    pathname: '/students/[studentId]',
                    params: { studentId, page: 'work' },
                  });
                },
              },
            ]),
      ]}
    >
      <Words bold tone={shown.quiet ? 'inkQuiet' : 'ember'}>
        {`${concernName(item.concern)}, since ${dayMonth(item.since)}: ${strengthWords(item.strength)}`}
      </Words>
      <Words>{item.sentence}</Words>
      {shown.quiet ? <Aside quiet={shown.quiet} /> : null}
      {item.evidence.map((evidence) => (
        <EvidencePart key={`${evidence.kind} ${evidence.stream}`} evidence={evidence} item={item} />
      ))}
      <Steps shown={shown} outcomes={outcomes} />
      {acting ? (
        <ActSheet
          shown={[shown]}
          onClose={() => {
            setActing(false);
          }}
        />
      ) : null}
    </Page>
  );
}
