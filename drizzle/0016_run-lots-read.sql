-- What a run packed is what its plan says: no line was read for it, so there is none to be read again.
UPDATE "lot" SET "reader" = 1 WHERE "pack_event_id" IS NOT NULL AND "reader" = 0;
