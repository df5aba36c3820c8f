import { cooling } from '$lib/server/api/models/heat';

export const GET = cooling.GET;
