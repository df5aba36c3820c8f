import { potHeating } from '$lib/server/api/models/heat';

export const GET = potHeating.GET;
