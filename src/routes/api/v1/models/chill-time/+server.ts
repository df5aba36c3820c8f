import { chillTime } from '$lib/server/api/models/heat';

export const GET = chillTime.GET;
