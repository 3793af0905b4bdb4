import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import { useRouter, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { SavedSign } from '../shell/SavedSign';
import { usePalette, useWide } from '../theme/theme';
import { space } from '../theme/tokens';
import { Action } from './Action';
import type { Group, GroupItem } from './Groups';
import { IconAction } from './IconAction';
import { lazily } from './lazily';
import { Tabs, type TabItem } from './Tabs';
import { useTabTitle } from './useTabTitle';
import { Words } from './Words';

// A page at the first start has nothing behind its dots.
const More = lazily(() => import('./More'));

/** The next thing to do on a page. */
interface MainAct extends GroupItem {
  disabled?: boolean;
  /** What it is about, beside it at the foot of a phone. */
  about?: string;
}

interface PageProps {
  title: string;
  /** For the browser's tab, where the title alone would not tell it from others or names a student. */
  tab?: string;
  note?: string;
  /** Where the arrow beside the title leads, and what is there. */
  back?: { to: Href; name: string };
  /** Beside the title on a wide screen, below it on the phone. */
  tools?: ReactNode;
  /** The one filled button: at the foot of a phone, beside the title on a wide screen. */
  main?: MainAct | null;
  /** Often done here: words beside the title on a wide screen, behind the dots on the phone. */
  acts?: readonly (GroupItem | null)[];
  /** Rarely done here: behind the dots. */
  more?: readonly Group[];
  /** The row of pages of the same thing, and what it is called for those who listen. */
  tabs?: { name: string; items: readonly TabItem[] } | null;
  /** As wide as the screen, or at most as wide as is comfortable to read. */
  full?: boolean;
  children: ReactNode;
}

/** A page with its title, whether all is saved, what can be done, and what is on it. */
export function Page({ title, tab, note, back, tools, main, acts, more, tabs, full, children }: PageProps) {
  const palette = usePalette();
  const wide = useWide();
  useTabTitle(tab ?? title);
  const edge = wide ? space(8) : space(4);
  return (
    <>
      <ScrollView
        style={{ flex: 1, backgroundColor: palette.ground }}
        contentContainerStyle={{
          padding: edge,
          paddingTop: wide ? space(6) : space(2),
          paddingBottom: space(10),
          gap: wide ? space(4) : space(2),
          width: '100%',
          maxWidth: full ? undefined : 1120,
        }}
      >
        <View style={{ flexDirection: 'row', alignItems: 'flex-start', gap: space(1) }}>
          {back ? <Back {...back} /> : null}
          <View style={{ flex: 1, paddingTop: back || !wide ? space(1) : 0 }}>
            <Words size={wide ? 'title' : 'large'} serif heading={1}>
              {title}
            </Words>
            {note ? (
              <Words tone="inkQuiet" size={wide ? 'text' : 'small'}>
                {note}
              </Words>
            ) : null}
          </View>
          {wide ? tools : null}
          <SavedSign />
          {wide ? acts?.map((act) => act && <Action key={act.label} {...act} />) : null}
          <Dots title={title} acts={wide ? [] : acts} more={more} />
          {wide && main ? <Action kind="main" {...main} /> : null}
        </View>
        {tabs ? (
          <View style={{ marginHorizontal: -edge, marginTop: -space(2), marginBottom: wide ? 0 : space(1) }}>
            <Tabs pages edge={edge} {...tabs} />
          </View>
        ) : null}
        {wide ? null : tools}
        {children}
      </ScrollView>
      {wide || !main ? null : <Foot main={main} />}
    </>
  );
}

function Back({ to, name }: NonNullable<PageProps['back']>) {
  const router = useRouter();
  return (
    <View style={{ marginLeft: -space(2) }}>
      <IconAction
        name={name}
        icon={ChevronLeft}
        onPress={() => {
          router.navigate(to);
        }}
      />
    </View>
  );
}

function Dots({ title, acts = [], more = [] }: Pick<PageProps, 'title' | 'acts' | 'more'>) {
  const groups = [{ title: 'Here', items: acts }, ...more].filter(({ items }) => items.some(Boolean));
  return groups.length === 0 ? null : <More name={`More: ${title}`} title={title} groups={groups} />;
}

/** What to do next, where the thumb is. */
function Foot({ main }: { main: MainAct }) {
  const palette = usePalette();
  const { about, ...act } = main;
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: space(3),
        paddingHorizontal: space(4),
        paddingVertical: space(1),
        borderTopWidth: 1,
        borderColor: palette.line,
        backgroundColor: palette.surface,
      }}
    >
      <View style={{ flex: 1 }}>
        {about ? (
          <Words size="small" tone="inkQuiet" lines={2}>
            {about}
          </Words>
        ) : null}
      </View>
      <Action kind="main" {...act} />
    </View>
  );
}
