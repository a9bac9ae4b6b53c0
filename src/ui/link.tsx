import type { ComponentProps } from 'react';
import NextLink from 'next/link';

/**
 * A link within the house. Nothing is fetched before somebody goes there: every page is drawn anew for who asks, so a look ahead at each link of a list
 * costs the house a page each and saves nobody anything.
 */
export const Link = (props: Omit<ComponentProps<typeof NextLink>, 'prefetch'>) => <NextLink {...props} prefetch={false} />;
