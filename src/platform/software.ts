/** What a document says it was made with. The scripts hand version and commit over; a build without them says so. */
export const software = () => ({
  name: 'Werkbank',
  version: process.env.WERKBANK_VERSION ?? '0.0.0',
  commit: process.env.WERKBANK_COMMIT ?? 'unknown',
});
