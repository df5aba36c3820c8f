import { dryingYield } from '$lib/server/api/models/drying';

export const GET = dryingYield.GET;
