import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { ProgressBar } from 'react-native-paper';
import { addressOf } from '@slate-path/core/api/address';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { ask as askServer } from '../../../sync/api';

/** Milliseconds from one question for the share to the next. */
const pause = 400;

/** How much of an archive the server has brought in; asked again and again while this is shown. */
export function Bringing() {
  const palette = usePalette();
  const [share, setShare] = useState(0);
  useEffect(() => {
    let isShown = true;
    const ask = async () => {
      const told = await askServer(addressOf('archiveProgress'));
      if (isShown && told.share !== null) setShare(told.share);
    };
    const timer = setInterval(() => {
      // Whether it went well is what the bringing itself answers; a question that fails is asked again.
      ask().catch(() => undefined);
    }, pause);
    return () => {
      isShown = false;
      clearInterval(timer);
    };
  }, []);
  const percent = Math.round(share * 100);
  return (
    // The bar tells how far it is to those who ask; said aloud at every change it would never end.
    <View style={{ gap: space(2) }}>
      <Words tone="inkQuiet" figures>
        {`Bringing it in, ${percent}\u00A0%; you can go on meanwhile…`}
      </Words>
      <ProgressBar
        accessibilityLabel="Brought in"
        progress={share}
        color={palette.slate}
        style={{ height: 6, borderRadius: 3, backgroundColor: palette.line }}
      />
    </View>
  );
}
