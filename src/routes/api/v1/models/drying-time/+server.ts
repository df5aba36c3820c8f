import { dryingTimeModel } from '$lib/server/api/models/drying';

export const GET = dryingTimeModel.GET;
