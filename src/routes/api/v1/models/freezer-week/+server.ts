import { freezerWeek } from '$lib/server/api/models/freezing';

export const GET = freezerWeek.GET;
