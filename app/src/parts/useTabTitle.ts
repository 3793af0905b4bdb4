import { useEffect } from 'react';

/**
 * What the browser's tab and its history call the page. Names of students do not belong there: a browser keeps its
 * history, and shows it to whoever uses the device next.
 */
export function useTabTitle(title: string): void {
  useEffect(() => {
    document.title = title === '' ? 'Slate Path' : `${title} · Slate Path`;
  }, [title]);
}
