import { useState } from 'react';
import { View } from 'react-native';
import { groupBy } from '@slate-path/core/records/groupBy';
import { watchSentence, type WatchPart } from '@slate-path/core/watch/watchSentence';
import type { WatchItem } from '@slate-path/core/watch/signals/watchClass';
import { Empty } from '../../parts/Empty';
import { choicePhrase, Sentence, type SentencePart } from '../../parts/Sentence';
import { Words } from '../../parts/Words';
import { lazily } from '../../parts/lazily';
import { useSections } from '../../sync/sections';
import { useAsking } from '../../sync/useAsking';
import { TakeBack } from '../../sync/TakeBack';
import { usePalette } from '../../theme/theme';
import { space } from '../../theme/tokens';
import type { ActWay } from './ActSheet';
import { Cleared, Facts } from './Facts';
import { isYoung, Needs } from './Needs';
import { PersonRow } from './PersonRow';
import { useWatch, watchAbout, type Shown } from './useWatch';
import { WatchPage } from './lazyWatchPage';

const ActSheet = lazily(() => import('./ActSheet'));

const emptyWords: Record<WatchPart, { title: string; words: string }> = {
  concerns: {
    title: 'What will stand here',
    words:
      'Students for whom something has really changed, or is really high, with the proof. What chance alone brings about now and then is left out.',
  },
  over_a_line: {
    title: 'Nobody is over a line',
    words:
      'Lines are facts: so much missed, three lessons in a row, three of five pieces not handed in. They may well be chance.',
  },
  aside: {
    title: 'Nothing is put aside',
    words: 'A concern that you put aside waits here for its day, or comes back when it gets clearly worse.',
  },
  cleared: {
    title: 'Nobody came back in the last four weeks',
    words: 'When what had changed is as usual again, it is told here, so that it can be praised.',
  },
};

/** What a tap on its number does, for those who listen. */
const partNames: Record<WatchPart, string> = {
  concerns: 'show who needs you',
  over_a_line: 'show who is over a line',
  aside: 'show who is put aside',
  cleared: 'show who is as usual again',
};

type OfPerson = [Shown, ...Shown[]];

/** Kept by class, shown by person: one child stands once, with all classes and reasons, the strongest first. */
const byPerson = (concerns: readonly Shown[]): OfPerson[] => [
  ...(groupBy(concerns, ({ item }) => item.studentId).values() as Iterable<OfPerson>),
];

const people = (items: readonly Pick<WatchItem, 'studentId'>[]) =>
  new Set(items.map(({ studentId }) => studentId)).size;

/** Who needs me: concerns with their proof, what is merely a fact, what is put aside, who came back. */
export function WatchScreen() {
  const palette = usePalette();
  const watch = useWatch();
  const asking = useAsking();
  const [part, setPart] = useState<WatchPart>('concerns');
  const [sectionId, setSectionId] = useState('');
  const [acting, setActing] = useState<{ shown: OfPerson; way: ActWay } | null>(null);
  const classes = useSections();
  const isShown = (id: string) => sectionId === '' || id === sectionId;
  const concerns = watch.concerns.filter(({ item }) => isShown(item.sectionId));
  const open = byPerson(concerns.filter(({ quiet }) => quiet === null));
  const aside = byPerson(concerns.filter(({ quiet }) => quiet !== null));
  const facts = watch.overLine.filter((item) => isShown(item.sectionId));
  // A class too young to know what is usual in has facts only; they are not left for another page to tell.
  const young = new Set(watch.sections.filter(isYoung).map((section) => section.sectionId));
  const early = facts.filter((item) => young.has(item.sectionId));
  const cleared = watch.sections
    .filter((section) => isShown(section.sectionId))
    .flatMap((section) => section.cleared.map((item) => ({ item, outcomes: section.outcomes })));
  const counts: Record<WatchPart, number> = {
    concerns: open.length,
    over_a_line: people(facts),
    aside: aside.length,
    cleared: people(cleared.map(({ item }) => item)),
  };
  const where = choicePhrase({
    name: 'choose the class',
    value: sectionId,
    options: [
      { value: '', label: 'all classes' },
      ...classes.map(({ id, name }) => ({ value: id, label: name })),
    ],
    onChange: setSectionId,
  });
  const sentence = watchSentence(counts, classes.length > 1 ? where.words : '').map((said): SentencePart => {
    if (typeof said === 'string') return said;
    const { words, to } = said;
    if (to === 'class') return where;
    return {
      words,
      name: partNames[to],
      held: part === to,
      onTap: () => {
        setPart(to);
      },
    };
  });
  const isEmpty = counts[part] === 0 && !(part === 'concerns' && early.length > 0);
  const row = (shown: OfPerson) => (
    <PersonRow
      key={shown[0].item.studentId}
      shown={shown}
      onAct={(way) => {
        setActing({ shown, way });
      }}
    />
  );
  return (
    <WatchPage page="Who needs me" tools={<TakeBack about={watchAbout} />} sectionId={sectionId}>
      {/* Zero would be an answer. */}
      {watch.state === 'loading' ? <Words tone="inkQuiet">{asking}</Words> : <Sentence parts={sentence} />}
      {watch.state === 'loading' || !isEmpty ? null : (
        <Empty title={emptyWords[part].title}>{emptyWords[part].words}</Empty>
      )}
      {part === 'concerns' && open.length > 0 ? <View style={{ gap: space(1) }}>{open.map(row)}</View> : null}
      {part === 'concerns' && early.length > 0 ? (
        <>
          <Words size="large" serif heading={2}>
            Plain facts, while a class is new
          </Words>
          <Facts items={early} />
        </>
      ) : null}
      {part === 'aside' ? <View style={{ gap: space(1) }}>{aside.map(row)}</View> : null}
      {part === 'over_a_line' ? <Facts items={facts} /> : null}
      {part === 'cleared'
        ? cleared.map(({ item, outcomes }) => (
            <Cleared
              key={`${item.sectionId} ${item.studentId} ${item.stream}`}
              item={item}
              outcomes={outcomes}
            />
          ))
        : null}
      <View style={{ borderTopWidth: 1, borderColor: palette.line, paddingTop: space(3), gap: space(3) }}>
        <Words tone="inkQuiet">It proposes, with evidence; you decide.</Words>
        <Needs sections={watch.sections.filter((section) => isShown(section.sectionId))} />
      </View>
      {acting ? (
        <ActSheet
          {...acting}
          onClose={() => {
            setActing(null);
          }}
        />
      ) : null}
    </WatchPage>
  );
}
