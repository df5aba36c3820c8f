import { portionsModel } from '$lib/server/api/models/packing';

export const GET = portionsModel.GET;
