// Every test here starts a server of its own, as a process.
jest.setTimeout(120_000);
