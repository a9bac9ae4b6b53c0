/** Under which name a document's drawing stands in the queue. */
export const drawJob = (certificateId: string) => ({ key: `draw/${certificateId}`, attempts: 5 });
