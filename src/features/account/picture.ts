/** A drawing as the address of a picture: nothing of it is fetched. */
export const picture = (svg: string): string => `data:image/svg+xml;utf8,${encodeURIComponent(svg)}`;
