import { usePalette, useWide } from '../../theme/theme';
import { radius } from '../../theme/tokens';

const height = { wide: 640, phone: 560 };

/** A page that the server made for somebody without an account, as they get it. */
export function FrameOfPage({ title, html }: { title: string; html: string }) {
  const palette = usePalette();
  const wide = useWide();
  return (
    <iframe
      title={title}
      srcDoc={html}
      // Its fonts come from here; no script is allowed in it.
      sandbox="allow-same-origin"
      style={{
        width: '100%',
        height: wide ? height.wide : height.phone,
        border: `1px solid ${palette.line}`,
        borderRadius: radius.card,
        background: palette.surface,
      }}
    />
  );
}
