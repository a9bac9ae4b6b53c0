/** How long a one-time password waits for its person: long enough for a weekend between. */
export const ONE_TIME_DAYS = 3;
