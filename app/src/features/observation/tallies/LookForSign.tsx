import Anchor from 'lucide-react-native/icons/anchor';
import CheckCheck from 'lucide-react-native/icons/check-check';
import Cloud from 'lucide-react-native/icons/cloud';
import DoorOpen from 'lucide-react-native/icons/door-open';
import Flag from 'lucide-react-native/icons/flag';
import Hand from 'lucide-react-native/icons/hand';
import Hourglass from 'lucide-react-native/icons/hourglass';
import Lamp from 'lucide-react-native/icons/lamp';
import Link from 'lucide-react-native/icons/link';
import MessageCircleQuestionMark from 'lucide-react-native/icons/message-circle-question-mark';
import Megaphone from 'lucide-react-native/icons/megaphone';
import Repeat from 'lucide-react-native/icons/repeat';
import Scale from 'lucide-react-native/icons/scale';
import SearchCheck from 'lucide-react-native/icons/search-check';
import ShieldAlert from 'lucide-react-native/icons/shield-alert';
import AudioLines from 'lucide-react-native/icons/audio-lines';
import Wind from 'lucide-react-native/icons/wind';
import Wrench from 'lucide-react-native/icons/wrench';
import type { LucideIcon } from 'lucide-react-native';
import type { LookFor } from '@slate-path/core/records/schema';
import { usePalette } from '../../../theme/theme';
import type { Palette } from '../../../theme/tokens';

const icons: Record<LookFor['sign'], LucideIcon> = {
  voice: Megaphone,
  question: MessageCircleQuestionMark,
  proof: SearchCheck,
  link: Link,
  scales: Scale,
  lamp: Lamp,
  hand: Hand,
  check: CheckCheck,
  flag: Flag,
  tool: Wrench,
  cloud: Cloud,
  repeat: Repeat,
  wind: Wind,
  waves: AudioLines,
  shield: ShieldAlert,
  anchor: Anchor,
  glass: Hourglass,
  door: DoorOpen,
};

export const toneColour: Record<LookFor['tone'], keyof Palette> = {
  wanted: 'lichen',
  unwanted: 'clay',
  neutral: 'inkQuiet',
};

interface LookForSignProps {
  sign: LookFor['sign'];
  tone: keyof Palette;
  size?: number;
}

/** The drawn sign of a look-for; its name stands beside it. */
export function LookForSign({ sign, tone, size = 20 }: LookForSignProps) {
  const palette = usePalette();
  const Icon = icons[sign];
  return <Icon size={size} color={palette[tone]} strokeWidth={2} aria-hidden />;
}
