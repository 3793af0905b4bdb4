/** How the server is reached, beyond its port: from the environment. */
export interface Reach {
  /** Names that it answers to, besides its addresses and the machine's own name. */
  hosts: string[];
  /** Proxies in front of it whose word is taken for the caller's address and for HTTPS: how many, or which. */
  proxies: number | string[];
}

const listed = (written: string | undefined) =>
  (written ?? '')
    .split(',')
    .map((part) => part.trim())
    .filter(Boolean);

/** Reads SLATE_HOSTS (`slate.school.example, slate.local`) and SLATE_PROXIES (`1`, or `10.0.0.2, loopback`). */
export function reachFrom({ SLATE_HOSTS, SLATE_PROXIES }: NodeJS.ProcessEnv): Reach {
  const proxies = /^\d+$/.test(SLATE_PROXIES ?? '') ? Number(SLATE_PROXIES) : listed(SLATE_PROXIES);
  return { hosts: listed(SLATE_HOSTS), proxies };
}
