import { useState, type ReactNode } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { inColumns } from './arrange';
import { usePalette, useWide } from '../theme/theme';
import { target } from '../theme/tokens';

export interface TileSize {
  width: number;
  height: number;
}

interface BoardProps<T> {
  /** What it is, for those who listen. */
  name: string;
  tiles: readonly T[];
  /** A tile, with a key of its own. */
  tile: (one: T, size: TileSize) => ReactNode;
  /** Below the tiles, where there is room. */
  children?: ReactNode;
}

/** On a phone three columns hold names of 16 px; so few students stand in two. */
const narrow = { across: 3, few: 14 };
const wideTile = { width: 210 };
/** A tile is no higher than this, in pixels. */
const most = 76;
/** Before the board is measured: what a phone has around it, in pixels. */
const aroundIt = 260;

/** How many tiles stand under each other. */
export function perColumn(count: number, across: number): number {
  return Math.max(Math.ceil(count / across), 1);
}

/** Columns of a board of this width. */
function acrossOf(width: number, wide: boolean, count: number): number {
  if (wide) return Math.max(Math.floor(width / wideTile.width), narrow.across);
  return count <= narrow.few ? 2 : narrow.across;
}

/** How many tiles stand under each other on a board that stands beside something, for keys that move on it. */
export function useColumnLength(count: number, besides: number): number {
  const wide = useWide();
  const { width } = useWindowDimensions();
  return perColumn(count, acrossOf(width - besides, wide, count));
}

/**
 * The class as tiles of one size, in order down the columns, so that each student always stands in the same place. They
 * are as high as lets all of them be seen, but never too low for a finger: then the board scrolls.
 */
export function Board<T>({ name, tiles, tile, children }: BoardProps<T>) {
  const palette = usePalette();
  const wide = useWide();
  const window = useWindowDimensions();
  const [room, setRoom] = useState({ width: window.width, height: window.height - aroundIt });
  const across = acrossOf(room.width, wide, tiles.length);
  const length = perColumn(tiles.length, across);
  const height = Math.min(Math.max(Math.floor(room.height / length), target), most);
  const size = { width: Math.floor(room.width / across), height };
  const columns = inColumns(tiles, across);
  return (
    <ScrollView
      style={{ flex: 1, backgroundColor: palette.surface }}
      onLayout={({ nativeEvent }) => {
        setRoom(nativeEvent.layout);
      }}
    >
      <View role="group" aria-label={name} style={{ flexDirection: 'row' }}>
        {columns.map((column, index) => (
          <View
            key={index}
            style={{ flex: 1, borderLeftWidth: index > 0 ? 1 : 0, borderColor: palette.line }}
          >
            {column.map((one) => tile(one, size))}
          </View>
        ))}
      </View>
      {children}
    </ScrollView>
  );
}
