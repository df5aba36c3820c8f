import { freezingTime } from '$lib/server/api/models/freezing';

export const GET = freezingTime.GET;
