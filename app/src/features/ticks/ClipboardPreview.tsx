import Svg, { Line, Rect, Text } from 'react-native-svg';
import type { Clipboard } from '@slate-path/core/ticks/clipboard/page';
import { usePalette } from '../../theme/theme';
import { fonts } from '../../theme/tokens';

interface ClipboardPreviewProps {
  layout: Exclude<Clipboard, { problem: string }>;
  names: ReadonlyMap<string, string>;
  legend: ReadonlyMap<number, string>;
  title: string;
  width: number;
}

/** Letters are about so wide, taken over a word, in parts of their size. */
const letterWidth = 0.55;
const cut = (text: string, size: number, width: number) =>
  text.slice(0, Math.floor(width / (size * letterWidth)));

/** The first sheet as it will be, small: ink on paper, whatever the theme. */
export function ClipboardPreview({ layout, names, legend, title, width }: ClipboardPreviewProps) {
  const palette = usePalette();
  const [page] = layout.pages;
  if (!page) return null;
  const { blocks, legend: lines, front } = page;
  return (
    <Svg
      width={width}
      height={(width * layout.height) / layout.width}
      viewBox={`0 0 ${layout.width} ${layout.height}`}
      role="img"
      aria-label={`The first sheet: ${blocks.length} students with ${blocks[0]?.boxes.length ?? 0} boxes each`}
    >
      <Rect
        width={layout.width}
        height={layout.height}
        fill="#FFFFFF"
        stroke={palette.line}
        strokeWidth={0.6}
      />
      <Text
        x={layout.heading.x}
        y={layout.heading.y + 5}
        fontSize={4.6}
        fontFamily={fonts.text}
        fill="#111111"
      >
        {title}
      </Text>
      {blocks.flatMap(({ studentId, name, boxes }) => [
        <Text
          key={studentId}
          x={name.x + 0.3}
          y={name.y + Math.min(name.height, 4.5) / 2 + 1.2}
          fontSize={3.2}
          fontWeight="bold"
          fontFamily={fonts.text}
          fill="#111111"
        >
          {cut(names.get(studentId) ?? '', 3.2, name.width)}
        </Text>,
        ...boxes.map((box, at) => (
          <Rect key={`${studentId} ${at}`} {...box} fill="none" stroke="#555555" strokeWidth={0.2} />
        )),
      ])}
      {front ? (
        <Line
          x1={front.x}
          x2={front.x + front.width}
          y1={front.y + 2.5}
          y2={front.y + 2.5}
          stroke="#111111"
          strokeWidth={0.3}
        />
      ) : null}
      {lines.map((one) => (
        <Text
          key={one.number}
          x={one.x}
          y={one.y + 3.2}
          fontSize={2.8}
          fontFamily={fonts.text}
          fill="#111111"
        >
          {cut(`${one.number}  ${legend.get(one.number) ?? '………………………'}`, 2.8, one.width)}
        </Text>
      ))}
    </Svg>
  );
}
