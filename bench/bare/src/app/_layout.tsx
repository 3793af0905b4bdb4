import { Slot } from 'expo-router';
import { PaperProvider } from 'react-native-paper';
import { SafeAreaProvider } from 'react-native-safe-area-context';

void navigator.serviceWorker.register('/sw.js');

/** The frame of the application, and nothing else of it: what router, Paper and svg take by themselves. */
export default function Layout() {
  return (
    <SafeAreaProvider>
      <PaperProvider settings={{ icon: () => null, rippleEffectEnabled: false }}>
        <Slot />
      </PaperProvider>
    </SafeAreaProvider>
  );
}
