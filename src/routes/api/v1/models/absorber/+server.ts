import { absorber } from '$lib/server/api/models/packing';

export const GET = absorber.GET;
