import LayoutList from 'lucide-react-native/icons/layout-list';
import SlidersHorizontal from 'lucide-react-native/icons/sliders-horizontal';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { groupBy } from '@slate-path/core/records/groupBy';
import { Action } from '../../parts/Action';
import { Choice } from '../../parts/Choice';
import { Empty } from '../../parts/Empty';
import { Page } from '../../parts/Page';
import { Words } from '../../parts/Words';
import { lazily } from '../../parts/lazily';
import { useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { NoteLinks } from '../notes/NoteLinks';
import { TakeBack } from '../../sync/TakeBack';
import { useSections } from '../../sync/sections';
import { useAsking } from '../../sync/useAsking';
import { ConcernCard } from './ConcernCard';
import { Cleared, Fact } from './Facts';
import { isYoung, Needs } from './Needs';
import { useWatch, watchAbout, type Shown } from './useWatch';

const ActSheet = lazily(() => import('./ActSheet'));

type Part = 'concerns' | 'over_a_line' | 'aside' | 'cleared';

/** Cards in two columns where there is room, the strongest on top of both. */
function Columns<T>({ items, render }: { items: readonly T[]; render: (item: T) => React.ReactNode }) {
  const wide = useWide();
  const columns = wide ? [0, 1].map((side) => items.filter((_, index) => index % 2 === side)) : [items];
  return (
    <View style={{ flexDirection: 'row', gap: space(4), alignItems: 'flex-start' }}>
      {columns.map((column, index) => (
        <View key={index} style={{ flex: 1, gap: space(3), minWidth: 0 }}>
          {column.map(render)}
        </View>
      ))}
    </View>
  );
}

const partNames: Record<Part, string> = {
  concerns: 'Needs me',
  over_a_line: 'Over a line',
  aside: 'Put aside',
  cleared: 'As usual again',
};
const emptyWords: Record<Part, { title: string; words: string }> = {
  concerns: {
    title: 'Nobody needs you just now',
    words:
      'Students stand here when something has really changed for them or is really high, with the proof. What chance alone brings about now and then is left out.',
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

/** Kept by class, shown by person: what concerns somebody in several classes stands together, the strongest first. */
const byPerson = (concerns: readonly Shown[]): Shown[][] => [
  ...groupBy(concerns, ({ item }) => item.studentId).values(),
];

/** Who needs me: concerns with their proof, what is merely a fact, what is put aside, who came back. */
export function WatchScreen() {
  const wide = useWide();
  const router = useRouter();
  const watch = useWatch();
  const asking = useAsking();
  const [part, setPart] = useState<Part>('concerns');
  const [sectionId, setSectionId] = useState('');
  const [acting, setActing] = useState<Shown | null>(null);
  const classes = useSections();
  const isShown = (id: string) => sectionId === '' || id === sectionId;
  const concerns = watch.concerns.filter(({ item }) => isShown(item.sectionId));
  const open = concerns.filter(({ quiet }) => quiet === null);
  const aside = concerns.filter(({ quiet }) => quiet !== null);
  const facts = watch.overLine.filter((item) => isShown(item.sectionId));
  // A class too young to know what is usual in has facts only; they are not left for another page to tell.
  const young = new Set(watch.sections.filter(isYoung).map((section) => section.sectionId));
  const early = facts.filter((item) => young.has(item.sectionId));
  const cleared = watch.sections
    .filter((section) => isShown(section.sectionId))
    .flatMap((section) => section.cleared.map((item) => ({ item, outcomes: section.outcomes })));
  const counts: Record<Part, number> = {
    concerns: open.length,
    over_a_line: facts.length,
    aside: aside.length,
    cleared: cleared.length,
  };
  const cards = (ofPerson: readonly Shown[]) => (
    <View key={ofPerson[0]?.item.studentId} style={{ gap: space(3) }}>
      {ofPerson.map(card)}
    </View>
  );
  const card = (shown: Shown) => (
    <ConcernCard
      key={`${shown.item.sectionId} ${shown.item.studentId} ${shown.item.concern}`}
      shown={shown}
      onAct={() => {
        setActing(shown);
      }}
    />
  );
  const tools = (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
      <NoteLinks />
      <Action
        label="Classes"
        name="Classes at a glance"
        icon={LayoutList}
        onPress={() => {
          router.push({
            pathname: '/watch/glance',
            params: { section: sectionId || (classes[0]?.id ?? '') },
          });
        }}
      />
      <Action
        label="What is watched"
        icon={SlidersHorizontal}
        onPress={() => {
          router.push({
            pathname: '/watch/settings',
            params: { section: sectionId || (classes[0]?.id ?? '') },
          });
        }}
      />
    </View>
  );
  return (
    <Page
      title="Who needs me"
      note={watch.state === 'loading' ? undefined : 'It proposes, with evidence; you decide.'}
      tools={
        wide ? (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
            <TakeBack about={watchAbout} />
            {tools}
          </View>
        ) : (
          <TakeBack about={watchAbout} />
        )
      }
    >
      <Choice<Part>
        name="Which"
        value={part}
        options={(Object.keys(partNames) as Part[]).map((value) => ({
          value,
          // Zero would be an answer.
          label: watch.state === 'loading' ? partNames[value] : `${partNames[value]} ${counts[value]}`,
        }))}
        onChange={setPart}
      />
      {classes.length > 1 ? (
        <ScrollView horizontal showsHorizontalScrollIndicator={false} style={{ flexGrow: 0 }}>
          <Choice
            name="Class"
            value={sectionId}
            options={[
              { value: '', label: 'All classes' },
              ...classes.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            onChange={setSectionId}
          />
        </ScrollView>
      ) : null}
      {counts[part] > 0 || (part === 'concerns' && early.length > 0) ? null : watch.state === 'loading' ? (
        <Words tone="inkQuiet">{asking}</Words>
      ) : (
        <Empty title={emptyWords[part].title}>{emptyWords[part].words}</Empty>
      )}
      {part === 'concerns' ? <Columns items={byPerson(open)} render={cards} /> : null}
      {part === 'concerns' && early.length > 0 ? (
        <>
          <Words size="large" serif heading={2}>
            Plain facts, while a class is new
          </Words>
          <Columns
            items={early}
            render={(item) => <Fact key={`${item.sectionId} ${item.studentId}`} item={item} />}
          />
        </>
      ) : null}
      {part === 'aside' ? <Columns items={byPerson(aside)} render={cards} /> : null}
      {part === 'over_a_line' ? (
        <Columns
          items={facts}
          render={(item) => <Fact key={`${item.sectionId} ${item.studentId}`} item={item} />}
        />
      ) : null}
      {part === 'cleared' ? (
        <Columns
          items={cleared}
          render={({ item, outcomes }) => (
            <Cleared
              key={`${item.sectionId} ${item.studentId} ${item.stream}`}
              item={item}
              outcomes={outcomes}
            />
          )}
        />
      ) : null}
      {wide ? null : tools}
      <Needs sections={watch.sections.filter((section) => isShown(section.sectionId))} />
      {acting ? (
        <ActSheet
          shown={acting}
          onClose={() => {
            setActing(null);
          }}
        />
      ) : null}
    </Page>
  );
}
