/** Has the service worker keep the application itself, so that it opens without a network. */
export function keepShell(): void {
  if (!('serviceWorker' in navigator) || process.env.NODE_ENV !== 'production') return;
  navigator.serviceWorker.register('/sw.js').catch((error: unknown) => {
    // Without it everything works but opening with no network.
    console.warn(error);
  });
}
