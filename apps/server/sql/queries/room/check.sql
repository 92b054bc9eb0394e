-- Where the chain of the book does not hold, the first hundred, and how it ends: 'link' does not carry the hash of the one before, 'hash' is not the hash of its text, 'text' says something else than the entry. One.
WITH walked AS (
  SELECT id, sha256,
    CASE
      WHEN before <> coalesce(lag(sha256) OVER (ORDER BY id), ''::bytea) THEN 'link'
      WHEN sha256 <> sha256(before || convert_to(id::text || E'\n' || canon, 'UTF8')) THEN 'hash'
      WHEN event <> canon::jsonb -> 'event' OR job_id <> (canon::jsonb ->> 'job')::integer THEN 'text'
    END AS fault
  FROM book_entry
)
SELECT (SELECT count(*)::integer FROM walked) AS entries,
  (SELECT coalesce(json_agg(json_build_object('id', w.id, 'fault', w.fault) ORDER BY w.id), '[]')
    FROM (SELECT id, fault FROM walked WHERE fault IS NOT NULL ORDER BY id LIMIT 100) w) AS faults,
  (SELECT json_build_object('id', id, 'sha256', encode(sha256, 'hex')) FROM walked ORDER BY id DESC LIMIT 1) AS head
