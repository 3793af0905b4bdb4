import { Slot } from 'expo-router';
import { useEffect } from 'react';
import { View } from 'react-native';
import { PaperProvider } from 'react-native-paper';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { Unreachable } from '../features/accounts/Unreachable';
import { start, useAccount } from '../sync/account';
import { keepShell } from '../sync/shellCache';
import { Frame } from '../shell/Frame';
import { quietTouch } from '../shell/quietTouch';
import { lazily } from '../parts/lazily';
import { useChosenTheme } from '../theme/theme';

// Seen once by most devices.
const FirstStart = lazily(() => import('../features/accounts/FirstStart'));
const SignIn = lazily(() => import('../features/accounts/SignIn'));

quietTouch();

/** A student's phone is nobody's desk, nor is whoever was invited in yet: they sign in nowhere, and nothing is kept. */
const atDoor = () => /^\/(?:check-in|join)\//.test(location.pathname);

if (!atDoor()) {
  void start();
  keepShell();
}

function Gate() {
  const state = useAccount((account) => account.state);
  if (atDoor()) return <Slot />;
  switch (state) {
    case 'starting':
      return null;
    case 'first_start':
      return <FirstStart />;
    case 'signed_out':
      return <SignIn />;
    case 'unreachable':
      return <Unreachable />;
    case 'open':
      // A window for the whole room has nothing around it.
      if (/^\/screen\/?$/.test(location.pathname)) return <Slot />;
      return (
        <Frame>
          <Slot />
        </Frame>
      );
  }
}

/** Round every page: theme, who is signed in, and the four places. */
export default function Layout() {
  const theme = useChosenTheme();
  useEffect(() => {
    document.documentElement.style.colorScheme = theme.dark ? 'dark' : 'light';
    document.body.style.backgroundColor = theme.palette.ground;
  }, [theme]);
  return (
    <SafeAreaProvider>
      <PaperProvider theme={theme} settings={{ icon: () => null, rippleEffectEnabled: false }}>
        <View style={{ flex: 1 }}>
          <Gate />
        </View>
      </PaperProvider>
    </SafeAreaProvider>
  );
}
