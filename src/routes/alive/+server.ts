import type { RequestHandler } from './$types';

/** For a page that lost its connection: is the server there again? */
export const GET: RequestHandler = () => new Response('here', { headers: { 'cache-control': 'no-store' } });
