import { useLocalSearchParams, useRouter } from 'expo-router';
import { useCallback, useState } from 'react';
import { View, type LayoutChangeEvent } from 'react-native';
import { shownNames } from '@slate-path/core/attendance/checkIn/shownNames';
import { hoursOfWeek } from '@slate-path/core/work/whenWorked';
import { workSentence } from '@slate-path/core/work/workSentence';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { Empty } from '../../parts/Empty';
import { lazily } from '../../parts/lazily';
import { choicePhrase, Sentence, type SentencePart } from '../../parts/Sentence';
import { Words } from '../../parts/Words';
import { useNow } from '../../sync/clock';
import { useAsking } from '../../sync/useAsking';
import { useRecords } from '../../sync/useRecords';
import { useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { ClassPage } from '../people/class/lazyClassPage';
import { DayArrows } from './DayArrows';
import { DayHeads } from './DayHeads';
import { Earlier } from './Earlier';
import { FeedLines } from './FeedLines';
import { HoursPicture } from './HoursPicture';
import { PieceList } from './PieceList';
import { railsLegend } from './Rails';
import { leastSeenFirst, useClassWork } from './useClassWork';
import { useSpan } from './useSpan';
import { useWorkActs } from './useWorkActs';
import { nameWidth, WorkRow } from './WorkRow';

const SpanSheet = lazily(() => import('./SpanSheet'));

const anyKind = '';

/** Work and activity of a class: who was seen elsewhere beside who was in the room, and how work came. */
export function ClassWorkScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const router = useRouter();
  const wide = useWide();
  const now = useNow();
  const asking = useAsking('for what was done');
  const [width, setWidth] = useState(0);
  const [kind, setKind] = useState(anyKind);
  const [place, setPlace] = useState(anyKind);
  const [onlyNotSeen, setOnlyNotSeen] = useState(false);
  const [choosing, setChoosing] = useState(false);
  const span = useSpan(sectionId);
  const { from, to, set } = span;
  const { answer, rows, digest, work } = useClassWork(sectionId, { from, to, kind, place });
  const section = useRecords(({ current }) => current.section[sectionId]);
  const isOffline = useRecords(({ connection }) => connection === 'offline');
  const names = new Map(
    shownNames(
      rows.map(({ student }) => student),
      true,
    ).map(({ id, name }) => [id, name]),
  );
  const { more, sheet } = useWorkActs(sectionId, span);
  const notSeen = rows.filter(({ seen }) => seen.actions === 0);
  // The same function from picture to picture, so that rows that stay are not drawn anew.
  const openStudent = useCallback(
    (studentId: string) => {
      const day = from === to ? { date: from } : {};
      router.push({
        pathname: '/classes/[sectionId]/work/[studentId]',
        params: { sectionId, studentId, ...day },
      });
    },
    [router, sectionId, from, to],
  );
  const onDay = (day: string) => {
    set({ span: 'dates', from: day, to: day });
  };
  const choices = (of: 'kinds' | 'places', any: string) => [
    { value: anyKind, label: any },
    ...(answer?.[of] ?? []).map(({ name }) => ({ value: name, label: name || 'not said' })),
  ];
  const phrases = {
    span: choicePhrase({
      name: 'choose the days',
      value: span.value,
      words: span.words,
      options: span.choices,
      onChange: (value) => {
        if (value === 'dates') setChoosing(true);
        else if (value === 'today') onDay(now.date);
        else set({ span: value });
      },
    }),
    kind: choicePhrase({
      name: 'choose the kind',
      value: kind,
      options: choices('kinds', 'any kind'),
      onChange: setKind,
    }),
    place: choicePhrase({
      name: 'choose the place',
      value: place,
      options: choices('places', 'everywhere'),
      onChange: setPlace,
    }),
    notSeen: {
      name: 'show only them',
      held: onlyNotSeen,
      onTap: () => {
        setOnlyNotSeen(!onlyNotSeen);
      },
    },
    waiting: {
      name: 'open the pieces of work',
      onTap: () => {
        router.push({ pathname: '/classes/[sectionId]/pieces', params: { sectionId } });
      },
    },
  };
  const sentence = workSentence({
    span,
    short: !wide,
    kind: phrases.kind.words || kind,
    place: phrases.place.words || place,
    students: rows.length,
    notSeen: notSeen.map(({ student }) => ({ studentId: student.id, name: names.get(student.id) ?? '' })),
    all: answer === undefined ? null : digest.all,
  });
  const parts: SentencePart[] = sentence.map((part) => {
    if (typeof part === 'string') return part;
    const { to: leads, words } = part;
    if (typeof leads === 'string') return { ...phrases[leads], words };
    return {
      words,
      name: 'open the days',
      onTap: () => {
        openStudent(leads.studentId);
      },
    };
  });
  const isEmpty =
    answer !== undefined &&
    answer.days.length === 0 &&
    answer.before.every(({ lastOn }) => lastOn === null) &&
    work.length === 0;
  const bring = () => {
    router.push({ pathname: '/classes/[sectionId]/work/bring', params: { sectionId } });
  };
  // Nobody is drawn twice, first without and then with what was done; without a connection the lessons are all there is.
  const isThere = answer !== undefined || isOffline;
  const shown = leastSeenFirst(onlyNotSeen ? notSeen : rows);
  const railsWidth = Math.max(0, width - nameWidth(wide) - space(wide ? 4 : 3));
  const pieces = work
    .flatMap((one) => {
      const found = digest.pieces.find(({ workId }) => workId === one.id);
      return found ? [{ work: one, digest: found }] : [];
    })
    .sort((a, b) => ((a.work.dueAt ?? '') < (b.work.dueAt ?? '') ? 1 : -1));
  return (
    <ClassPage
      sectionId={sectionId}
      page="Work and activity"
      main={section ? { label: 'Bring in work', onPress: bring } : undefined}
      more={more}
      full
    >
      {!section ? null : isEmpty ? (
        <Empty
          title="Nothing from elsewhere yet"
          action={wide ? <Action label="Bring in work" onPress={bring} /> : undefined}
        >
          What is done outside the room stands here beside the lessons: who opened, asked, answered and handed
          in, when; which work came on time, late or not at all. A learning platform gives it as a file, or is
          asked by itself every few minutes; a grade book will do.
        </Empty>
      ) : (
        <>
          <View style={{ flexDirection: 'row', alignItems: 'flex-start' }}>
            <View style={{ flex: 1 }}>
              <Sentence parts={parts} />
            </View>
            {from === to ? <DayArrows day={from} onDay={onDay} /> : null}
          </View>
          <FeedLines sectionId={sectionId} failing />
          {answer === undefined ? <Words tone="inkQuiet">{asking}</Words> : null}
          <View
            onLayout={({ nativeEvent }: LayoutChangeEvent) => {
              setWidth(nativeEvent.layout.width);
            }}
          >
            <Card style={{ padding: 0 }}>
              <View style={{ flexDirection: 'row', alignItems: 'center' }}>
                <View style={{ width: nameWidth(wide), paddingLeft: space(wide ? 4 : 3) }}>
                  <Words size="small" tone="inkQuiet">
                    Seen least first
                  </Words>
                </View>
                {width > 0 ? (
                  <DayHeads from={from} to={to} today={now.date} width={railsWidth} onDay={onDay} />
                ) : null}
              </View>
              {width > 0 && isThere
                ? shown.map((row) => (
                    <WorkRow
                      key={row.student.id}
                      row={row}
                      shortName={names.get(row.student.id) ?? ''}
                      from={from}
                      to={to}
                      width={railsWidth}
                      onOpen={openStudent}
                    />
                  ))
                : null}
            </Card>
          </View>
          <Words size="small" tone="inkQuiet">
            {railsLegend(from, to)}
          </Words>
          <FeedLines sectionId={sectionId} failing={false} />
          <View style={{ flexDirection: wide ? 'row' : 'column', gap: space(6), alignItems: 'flex-start' }}>
            <View style={{ flex: wide ? 1 : undefined, width: wide ? undefined : '100%', gap: space(2) }}>
              <Words size="large" serif heading={2}>
                Pieces of work
              </Words>
              {pieces.length === 0 ? (
                <Words tone="inkQuiet">None was due in these days.</Words>
              ) : (
                <PieceList sectionId={sectionId} pieces={pieces} />
              )}
              <Action
                style={{ alignSelf: 'flex-start' }}
                label="All pieces of work"
                onPress={() => {
                  router.push({ pathname: '/classes/[sectionId]/pieces', params: { sectionId } });
                }}
              />
            </View>
            <View style={{ flex: wide ? 1 : undefined, width: wide ? undefined : '100%', gap: space(2) }}>
              {answer && width > 0 ? (
                <>
                  <HoursPicture
                    week={hoursOfWeek(answer.days)}
                    width={(wide ? (width - space(6)) / 2 : width) - space(9)}
                  />
                  <Earlier answer={answer} students={rows.length} active={rows.length - notSeen.length} />
                </>
              ) : null}
            </View>
          </View>
          {sheet}
          {choosing ? (
            <SpanSheet
              from={from}
              to={to}
              onClose={() => {
                setChoosing(false);
              }}
              onChoose={(range) => {
                setChoosing(false);
                set({ span: 'dates', ...range });
              }}
            />
          ) : null}
        </>
      )}
    </ClassPage>
  );
}
