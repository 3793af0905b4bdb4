import { memo, useRef, useState, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { usePalette } from '../theme/theme';
import { space, target } from '../theme/tokens';
import { cutInAWord, type Extent } from './cutInAWord';
import { TapArea } from './TapArea';
import { Words } from './Words';

export interface TabItem {
  label: string;
  chosen: boolean;
  onTap: () => void;
}

interface TabsProps {
  /** What they are the pages of, for those who listen. */
  name: string;
  items: readonly TabItem[];
  /** Each has an address of its own. */
  pages?: boolean;
  /** Of the page; the first word stands on it. */
  edge?: number;
  /** Behind the tabs: what turns the present one. */
  children?: ReactNode;
}

/** The pages of one thing as words in a row, the present one bold with a bar under it. */
export const Tabs = memo(function Tabs({ name, items, pages, edge = space(3), children }: TabsProps) {
  const palette = usePalette();
  const scroll = useRef<ScrollView>(null);
  const words = useRef(new Map<number, Extent>());
  const room = useRef(0);
  const [extra, setExtra] = useState(0);
  /** Once the row and all of its words have been measured. */
  const settle = () => {
    if (words.current.size < items.length || room.current === 0) return;
    const extents = items.flatMap((_, at) => words.current.get(at) ?? []);
    setExtra(cutInAWord(extents, room.current, extra));
    const chosen = extents[items.findIndex((item) => item.chosen)];
    if (chosen && chosen.x + chosen.width > room.current)
      scroll.current?.scrollTo({ x: chosen.x - space(10), animated: false });
  };
  return (
    <View
      style={{ flexDirection: 'row', alignItems: 'center', borderBottomWidth: 1, borderColor: palette.line }}
    >
      <ScrollView
        ref={scroll}
        horizontal
        showsHorizontalScrollIndicator={false}
        style={{ flex: 1 }}
        contentContainerStyle={{ paddingHorizontal: edge - space(3) }}
        onLayout={({ nativeEvent }) => {
          room.current = nativeEvent.layout.width;
          settle();
        }}
      >
        <View role={pages ? 'navigation' : 'group'} aria-label={name} style={{ flexDirection: 'row' }}>
          {items.map(({ label, chosen, onTap }, index) => (
            <View
              key={label}
              style={{ marginRight: extra }}
              onLayout={({ nativeEvent }) => {
                words.current.set(index, nativeEvent.layout);
                settle();
              }}
            >
              <Tab label={label} chosen={chosen} page={pages === true} onTap={onTap} />
            </View>
          ))}
        </View>
      </ScrollView>
      {children}
    </View>
  );
});

function Tab({ label, chosen, page, onTap }: TabItem & { page: boolean }) {
  const palette = usePalette();
  return (
    <TapArea
      name={label}
      page={page ? chosen : undefined}
      held={page ? undefined : chosen}
      onTap={onTap}
      style={{ minHeight: target, justifyContent: 'center', paddingHorizontal: space(2) }}
    >
      <View
        style={{
          minHeight: target,
          justifyContent: 'center',
          paddingHorizontal: space(1),
          borderBottomWidth: 3,
          borderColor: chosen ? palette.slate : 'transparent',
        }}
      >
        <Words bold={chosen} tone={chosen ? 'ink' : 'inkQuiet'} lines={1}>
          {label}
        </Words>
      </View>
    </TapArea>
  );
}
