import { boilingPoint } from '$lib/server/api/models/heat';

export const GET = boilingPoint.GET;
