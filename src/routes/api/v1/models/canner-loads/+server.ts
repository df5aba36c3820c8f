import { cannerLoadsModel } from '$lib/server/api/models/packing';

export const GET = cannerLoadsModel.GET;
