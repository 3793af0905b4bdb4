import { useSyncExternalStore } from 'react';
import { useColorScheme, useWindowDimensions } from 'react-native';
import { configureFonts, MD3LightTheme, type MD3Theme, useTheme } from 'react-native-paper';
import { board, fonts, paper, radius, wideFrom, type Palette } from './tokens';

export type Theme = MD3Theme & { palette: Palette };

/** The component library's theme made of our tokens alone: none of its own colours are left. */
function themeOf(palette: Palette, dark: boolean): Theme {
  const { ground, surface, ink, inkQuiet, line, slate, onSlate, slateWash, ember } = palette;
  return {
    ...MD3LightTheme,
    dark,
    palette,
    roundness: radius.control,
    fonts: configureFonts({ config: { fontFamily: fonts.text } }),
    colors: {
      ...MD3LightTheme.colors,
      primary: slate,
      onPrimary: onSlate,
      primaryContainer: slateWash,
      onPrimaryContainer: ink,
      secondary: slate,
      onSecondary: onSlate,
      secondaryContainer: slateWash,
      onSecondaryContainer: ink,
      tertiary: slate,
      background: ground,
      onBackground: ink,
      surface,
      surfaceVariant: surface,
      onSurface: ink,
      onSurfaceVariant: inkQuiet,
      surfaceDisabled: line,
      onSurfaceDisabled: inkQuiet,
      outline: inkQuiet,
      outlineVariant: line,
      error: ember,
      onError: onSlate,
      errorContainer: surface,
      onErrorContainer: ember,
      inverseSurface: ink,
      inverseOnSurface: surface,
      inversePrimary: slateWash,
      shadow: 'transparent',
      scrim: 'rgba(0, 0, 0, 0.5)',
      backdrop: 'rgba(10, 16, 20, 0.5)',
      elevation: {
        level0: 'transparent',
        level1: surface,
        level2: surface,
        level3: surface,
        level4: surface,
        level5: surface,
      },
    },
  };
}

export const paperTheme = themeOf(paper, false);
export const boardTheme = themeOf(board, true);

export type ThemeChoice = 'device' | 'paper' | 'board';
const choiceKey = 'slate-theme';
const listeners = new Set<() => void>();

function readChoice(): ThemeChoice {
  const kept = localStorage.getItem(choiceKey);
  return kept === 'paper' || kept === 'board' ? kept : 'device';
}

export function chooseTheme(choice: ThemeChoice): void {
  localStorage.setItem(choiceKey, choice);
  listeners.forEach((listener) => {
    listener();
  });
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function useThemeChoice(): ThemeChoice {
  return useSyncExternalStore(subscribe, readChoice);
}

/** The theme in force: the teacher's choice on this device, else what the device asks for. */
export function useChosenTheme(): Theme {
  const device = useColorScheme();
  const choice = useThemeChoice();
  const dark = choice === 'device' ? device === 'dark' : choice === 'board';
  return dark ? boardTheme : paperTheme;
}

export function usePalette(): Palette {
  return useTheme<Theme>().palette;
}

/** Is there room for pages beside each other? */
export function useWide(): boolean {
  return useWindowDimensions().width >= wideFrom;
}
