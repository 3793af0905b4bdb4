import { memo, useEffect, useRef, useState, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { usePalette } from '../theme/theme';
import { space, target } from '../theme/tokens';
import { beginnings, cutInAWord } from './cutInAWord';
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
  const [widths, setWidths] = useState<readonly number[]>([]);
  const [room, setRoom] = useState(0);
  const before = edge - space(3);
  const measured = items.map((_, index) => widths[index] ?? 0);
  const isMeasured = room > 0 && measured.every((width) => width > 0);
  const between = isMeasured ? cutInAWord(measured, before, room) : 0;
  const at = items.findIndex(({ chosen }) => chosen);
  const ends = (beginnings(measured, before, between)[at] ?? 0) + (measured[at] ?? 0);
  useEffect(() => {
    if (isMeasured && ends > room) scroll.current?.scrollTo({ x: ends - room + space(6), animated: false });
  }, [isMeasured, ends, room]);
  return (
    <View
      style={{ flexDirection: 'row', alignItems: 'center', borderBottomWidth: 1, borderColor: palette.line }}
    >
      <ScrollView
        ref={scroll}
        horizontal
        showsHorizontalScrollIndicator={false}
        style={{ flex: 1 }}
        contentContainerStyle={{ paddingHorizontal: before }}
        onLayout={({ nativeEvent }) => {
          setRoom(nativeEvent.layout.width);
        }}
      >
        <View role={pages ? 'navigation' : 'group'} aria-label={name} style={{ flexDirection: 'row' }}>
          {items.map(({ label, chosen, onTap }, index) => (
            <View
              key={label}
              style={{ marginRight: between }}
              onLayout={({ nativeEvent }) => {
                const { width } = nativeEvent.layout;
                setWidths((last) => Object.assign([...last], { [index]: width }));
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
