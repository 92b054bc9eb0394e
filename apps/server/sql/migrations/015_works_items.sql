-- Machines and stocks stand in a table of their own: each is changed by itself, and how it was before is kept.

CREATE TABLE works_item (
  kind text NOT NULL,
  id text NOT NULL,
  -- Where it stands among its kind: as it came.
  place integer GENERATED ALWAYS AS IDENTITY,
  body jsonb NOT NULL,
  CONSTRAINT works_item_pk PRIMARY KEY (kind, id),
  CONSTRAINT works_item_kind_known CHECK (kind IN ('machine', 'stock')),
  CONSTRAINT works_item_named CHECK (body ->> 'id' = id)
);
INSERT INTO works_item (kind, id, body)
SELECT 'machine', one ->> 'id', one FROM works, jsonb_array_elements(body -> 'machines') WITH ORDINALITY AS m (one, n) ORDER BY n;
INSERT INTO works_item (kind, id, body)
SELECT 'stock', one ->> 'id', one FROM works, jsonb_array_elements(body -> 'stocks') WITH ORDINALITY AS s (one, n) ORDER BY n;

ALTER TABLE change_record DROP CONSTRAINT change_record_kind_known;
ALTER TABLE change_record ADD CONSTRAINT change_record_kind_known
  CHECK (kind IN ('reservation', 'destination', 'single-book', 'job', 'works', 'machine', 'stock'));

-- The works as core plans for it: what it is, its machines, stocks and folds, and the norms that it has changed, with who and why.
CREATE OR REPLACE FUNCTION works_with(body jsonb) RETURNS jsonb LANGUAGE sql STABLE
RETURN body
  || jsonb_build_object(
    'machines', (SELECT coalesce(jsonb_agg(i.body ORDER BY i.place), '[]') FROM works_item i WHERE i.kind = 'machine'),
    'stocks', (SELECT coalesce(jsonb_agg(i.body ORDER BY i.place), '[]') FROM works_item i WHERE i.kind = 'stock'),
    'itemsMark', (SELECT coalesce(max(id), 0) FROM change_record WHERE kind IN ('machine', 'stock')),
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

-- A change is noted before the item is written, so that the mark above is that of what it shows.
CREATE TRIGGER works_item_renews AFTER INSERT OR UPDATE OR DELETE ON works_item FOR EACH STATEMENT EXECUTE FUNCTION renew_works();
UPDATE works SET body = body - 'machines' - 'stocks';
