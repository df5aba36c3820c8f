CREATE TABLE "last_change" (
	"household_id" uuid PRIMARY KEY NOT NULL,
	"transaction" bigint NOT NULL
);
--> statement-breakpoint
ALTER TABLE "last_change" ADD CONSTRAINT "last_change_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
CREATE FUNCTION note_last_change() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
	whose uuid := CASE WHEN TG_OP = 'DELETE' THEN OLD.household_id ELSE NEW.household_id END;
	-- Of this transaction alone: one that changes ten thousand rows notes it once.
	noted text := coalesce(current_setting('root_jar.changed', true), '');
BEGIN
	IF position(whose::text IN noted) = 0 THEN
		PERFORM set_config('root_jar.changed', noted || ' ' || whose::text, true);
		-- A household that goes with its rows has no row here any more.
		INSERT INTO last_change (household_id, "transaction")
		SELECT h.id, pg_current_xact_id()::text::bigint FROM household h WHERE h.id = whose
		ON CONFLICT (household_id) DO UPDATE SET "transaction" = excluded."transaction";
	END IF;
	RETURN NULL;
END $$;
--> statement-breakpoint
-- At the end of a transaction, when it holds whatever else it needs: two that change other things never wait for each other
-- here while one of them waits elsewhere. A later migration that changes rows of such a table and then the table itself first
-- says SET CONSTRAINTS ALL IMMEDIATE.
DO $$
DECLARE
	of text;
BEGIN
	FOREACH of IN ARRAY ARRAY[
		'avoid', 'batch', 'claim', 'container', 'difference', 'equipment', 'gathering', 'look', 'lot', 'lot_parent', 'machine_price',
		'movement', 'own_measure', 'person', 'place', 'planting', 'pot', 'power_cut', 'receipt', 'recipe_portion', 'shop_price',
		'supply', 'want', 'way_choice'
	] LOOP
		EXECUTE format(
			'CREATE CONSTRAINT TRIGGER %I AFTER INSERT OR UPDATE OR DELETE ON %I DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION note_last_change()',
			of || '_last_change', of);
	END LOOP;
END $$;
