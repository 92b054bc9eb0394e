-- Inks of the house, and coatings, glues and films that it keeps, are items like machines and stocks: each is changed by itself.
ALTER TABLE works_item DROP CONSTRAINT works_item_kind_known;
ALTER TABLE works_item ADD CONSTRAINT works_item_kind_known CHECK (kind IN ('machine', 'stock', 'ink', 'supply'));
ALTER TABLE change_record DROP CONSTRAINT change_record_kind_known;
ALTER TABLE change_record ADD CONSTRAINT change_record_kind_known
  CHECK (kind IN ('reservation', 'destination', 'single-book', 'job', 'works', 'machine', 'stock', 'ink', 'supply'));

-- Inks had no ids: the place among the others makes those apart whose names come to the same. What was released keeps the works as it was.
INSERT INTO works_item (kind, id, body)
SELECT 'ink', named.id, jsonb_build_object('id', named.id) || ink
FROM works, jsonb_array_elements(coalesce(body -> 'inks', '[]')) WITH ORDINALITY AS t (ink, n), LATERAL (
  SELECT concat(
    coalesce(nullif(left(trim(BOTH '-' FROM regexp_replace(lower(ink ->> 'name'), '[^a-z0-9]+', '-', 'g')), 40), ''), 'ink'),
    CASE WHEN ink ->> 'name' IN ('K', 'C', 'M', 'Y') THEN '' ELSE '-' || n END
  ) AS id
) named ORDER BY n;

-- The works as core plans for it: what it is, its items and folds, and the norms that it has changed, with who and why.
CREATE OR REPLACE FUNCTION works_with(body jsonb) RETURNS jsonb LANGUAGE sql STABLE
RETURN body
  || jsonb_build_object(
    'machines', (SELECT coalesce(jsonb_agg(i.body ORDER BY i.place), '[]') FROM works_item i WHERE i.kind = 'machine'),
    'stocks', (SELECT coalesce(jsonb_agg(i.body ORDER BY i.place), '[]') FROM works_item i WHERE i.kind = 'stock'),
    'inks', (SELECT coalesce(jsonb_agg(i.body ORDER BY i.place), '[]') FROM works_item i WHERE i.kind = 'ink'),
    'supplies', (SELECT coalesce(jsonb_agg(i.body ORDER BY i.place), '[]') FROM works_item i WHERE i.kind = 'supply'),
    'itemsMark', (SELECT coalesce(max(id), 0) FROM change_record WHERE kind IN ('machine', 'stock', 'ink', 'supply')),
    'mark', (SELECT coalesce(max(id), 0) FROM norm_change),
    'norms', (
      SELECT coalesce(jsonb_object_agg(n.id, jsonb_build_object(
        'value', n.value,
        'source', jsonb_build_object('label', 'set by user', 'note', a.name || CASE WHEN c.reason = '' THEN '' ELSE ': ' || c.reason END)
      )), '{}')
      FROM norm n
      JOIN LATERAL (SELECT reason, changed_by FROM norm_change WHERE norm = n.id ORDER BY id DESC LIMIT 1) c ON true
      JOIN account a ON a.id = c.changed_by
    )
  )
  || coalesce((SELECT jsonb_build_object('folds', jsonb_agg(jsonb_build_object('name', f.name) || f.body ORDER BY f.name)) FROM house_fold f HAVING count(*) > 0), '{}');
UPDATE works SET body = body - 'inks';

-- What suppliers ask for ink goes with the works too: plans reckon with it.
CREATE OR REPLACE FUNCTION keep_sold() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  NEW.sold := CASE WHEN coalesce(NEW.body ->> 'retired', 'false') <> 'true' THEN (
    SELECT json_build_object('id', NEW.id, 'name', NEW.name, 'prices', json_agg(price ORDER BY n))::text
    FROM jsonb_array_elements(NEW.body -> 'prices') WITH ORDINALITY AS t (price, n)
    WHERE price ->> 'item' ~ '^(paper|sheets|rolls|ink|supplies|packing)/'
    HAVING count(*) > 0
  ) END;
  RETURN NEW;
END
$$;
UPDATE supplier SET sold = NULL;
