import { View } from 'react-native';
import { listed } from '@slate-path/core/words/listed';
import { Card } from '../../../parts/Card';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { radius, space } from '../../../theme/tokens';
import type { ApiProblem } from '../../../sync/api';
import type { Preview } from './usePreview';

interface PreviewOfPageProps {
  preview: Preview | null;
  problem: ApiProblem | null;
  height: number;
}

/** Whom a page names, and the page itself, as its reader gets it. */
export function PreviewOfPage({ preview, problem, height }: PreviewOfPageProps) {
  const palette = usePalette();
  const shortened = preview?.shortened.map(({ name, as }) => `${name} (${as})`) ?? [];
  return (
    <View style={{ gap: space(3) }}>
      <Card style={{ gap: space(1) }}>
        <Words bold heading={2}>
          Names on this page
        </Words>
        <Words live>{preview ? listed(preview.named) : 'They stand here once something is chosen.'}</Words>
        {shortened.length > 0 ? (
          <Words tone="inkQuiet">{`Only as initials: ${listed(shortened)}`}</Words>
        ) : preview ? (
          <Words tone="inkQuiet">No other student is in it.</Words>
        ) : null}
        {problem ? (
          <Words tone={problem.status === 400 ? 'inkQuiet' : 'ember'} live>
            {problem.errors[0]?.message ?? problem.detail}
          </Words>
        ) : null}
      </Card>
      {preview ? (
        <iframe
          title="The page as its reader gets it"
          srcDoc={preview.html}
          // Its fonts come from here; no script is allowed in it.
          sandbox="allow-same-origin"
          style={{
            width: '100%',
            height,
            border: `1px solid ${palette.line}`,
            borderRadius: radius.card,
            background: palette.surface,
          }}
        />
      ) : null}
    </View>
  );
}
