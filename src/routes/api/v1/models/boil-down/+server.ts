import { boilDownModel } from '$lib/server/api/models/heat';

export const GET = boilDownModel.GET;
