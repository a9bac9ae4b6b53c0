/** Where the codes on paper lead: the public listener, where there is one; else the house itself. A name that moves along with the house, never a host's number: see docs/running.md. */
export const checkOrigin = (): string => process.env.WERKBANK_PUBLIC_ORIGIN ?? process.env.WERKBANK_ORIGIN ?? '';
