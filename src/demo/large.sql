-- Ten years of a busy household, for the bench: 20,000 batches, 150,000 movements, 400 open lots.
-- :household is the household's id. Deterministic: no chance, so that two benches measure the same data.
insert into batch (id, household_id, code, food, form, cut, way, title, packed_on, keeps_until, use_words, closing, created_at)
select gen_random_uuid(), ':household', 'L' || lpad(i::text, 6, '0'), 'green-beans', 'whole', 'cut', 'Blanch + freeze', 'green beans, cut',
       date '2026-08-24' - (i * 3650 / 20000), date '2027-08-24' - (i * 3650 / 20000), 'Cook from frozen.',
       jsonb_build_object('raw_g', 6000, 'load_g', 5280, 'packed_g', 5000, 'packs', 10, 'supper_g', 0, 'yield', 0.83, 'elapsed_s', 14400, 'hands_s', 5400, 'lots', '[]'::jsonb, 'potfuls', '[]'::jsonb),
       timestamptz '2026-08-24 12:00Z' - make_interval(hours => i * 87600 / 20000)
from generate_series(1, 20000) i;

-- Checks of foreign keys are planned by what is known of a table: of an empty one they would read it whole each time.
analyze batch;
insert into lot (id, household_id, unit, content, content_unit, unit_g, state, food, form, place_id, condition, said, note, title, batch_id, since, keeps_until, created_at)
select gen_random_uuid(), ':household', 'pack', 5000, 'dg', 500, 'frozen', b.food, 'whole', (select id from place where household_id = ':household' and kind = 'freezer' limit 1), 'firm', '', '', b.title, b.id, b.created_at, b.keeps_until, b.created_at
from batch b where b.household_id = ':household' and b.code like 'L______';

analyze lot;
-- A put of ten, then six takes; the newest 360 lots keep what is left, 40 raw lots wait in the basket.
insert into movement (id, household_id, lot_id, group_id, kind, amount, cause, by, batch_id, occurred_at, recorded_at)
select gen_random_uuid(), l.household_id, l.id, gen_random_uuid(), 'put', 10, '', 'bench', l.batch_id, l.created_at, l.created_at
from lot l join batch b on b.id = l.batch_id where l.household_id = ':household' and b.code like 'L______';
insert into movement (id, household_id, lot_id, group_id, kind, amount, cause, by, batch_id, occurred_at, recorded_at)
select gen_random_uuid(), l.household_id, l.id, gen_random_uuid(), 'take', case when k = 6 and substr(b.code, 2)::int > 360 then -5 else -1 end, '', 'bench', l.batch_id,
       l.created_at + make_interval(days => k * 20), l.created_at + make_interval(days => k * 20)
from lot l join batch b on b.id = l.batch_id cross join generate_series(1, 6) k
where l.household_id = ':household' and b.code like 'L______';
insert into movement (id, household_id, lot_id, group_id, kind, amount, cause, by, batch_id, occurred_at, recorded_at)
select gen_random_uuid(), l.household_id, l.id, gen_random_uuid(), 'count', 0, '', 'bench', l.batch_id, l.created_at, l.created_at
from lot l join batch b on b.id = l.batch_id where l.household_id = ':household' and b.code like 'L______' and substr(b.code, 2)::int <= 10000;
insert into lot_balance (lot_id, household_id, amount)
select m.lot_id, m.household_id, sum(m.amount) from movement m join lot l on l.id = m.lot_id join batch b on b.id = l.batch_id
where m.household_id = ':household' and b.code like 'L______' group by 1, 2;

-- What is open stands in every state and place: a third in jars, a third dried or in the cellar, the rest frozen; half have been looked at.
update lot l set state = case substr(b.code, 2)::int % 6 when 0 then 'canned' when 1 then 'canned' when 2 then 'dried' when 3 then 'fresh' else 'frozen' end,
	process = case when substr(b.code, 2)::int % 6 < 2 then 'tested' end,
	place_id = (select p.id from place p where p.household_id = ':household' and p.kind = case substr(b.code, 2)::int % 6 when 0 then 'pantry' when 1 then 'pantry' when 2 then 'pantry' when 3 then 'cellar' else 'freezer' end order by p.position limit 1)
from batch b where b.id = l.batch_id and l.household_id = ':household' and b.code like 'L______' and substr(b.code, 2)::int <= 360;
insert into look (id, household_id, lot_id, kind, finding, by, at, recorded_at)
select gen_random_uuid(), l.household_id, l.id, 'clump', 'fine', 'bench', l.created_at, l.created_at
from lot l join batch b on b.id = l.batch_id where l.household_id = ':household' and b.code like 'L______' and substr(b.code, 2)::int <= 360 and substr(b.code, 2)::int % 2 = 0;

with raw as (
	insert into lot (id, household_id, waiting, food, form, place_id, condition, said, note, title, since, created_at)
	select gen_random_uuid(), ':household', true, (array['green-beans','carrots','spinach','tomatoes','kale'])[1 + i % 5], 'whole',
	       (select id from place where household_id = ':household' and kind = 'fridge' limit 1), 'firm', i || ' kg', '', 'green beans', now() - make_interval(hours => i), now()
	from generate_series(1, 40) i returning id
), put as (
	insert into movement (id, household_id, lot_id, group_id, kind, amount, cause, by, occurred_at, recorded_at)
	select gen_random_uuid(), ':household', id, gen_random_uuid(), 'put', 50000, '', 'bench', now(), now() from raw returning lot_id
)
insert into lot_balance (lot_id, household_id, amount) select lot_id, ':household', 50000 from put;
analyze;
