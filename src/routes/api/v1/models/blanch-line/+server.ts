import { blanchLineModel } from '$lib/server/api/models/heat';

export const GET = blanchLineModel.GET;
