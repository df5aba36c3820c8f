/** What a device keeps for a cold start without a server: no page of its own, it becomes the page of any address. */
export const ssr = false;
