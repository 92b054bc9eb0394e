-- A stretch of the book's chain: how many entries, where it does not hold (the first hundred), and how it ends. $1 the entry before it (0 for the beginning), $2 that one's hash, hexadecimal, $3 entries at most. 'link' does not carry the hash of the one before, 'hash' is not the hash of its text, 'text' says something else than the entry. One.
WITH stretch AS (
  SELECT id, canon, doc, before, sha256, event, job_id FROM book_entry WHERE id > $1::integer ORDER BY id LIMIT $3::integer
), walked AS (
  SELECT id, sha256,
    CASE
      WHEN before <> coalesce(lag(sha256) OVER (ORDER BY id), decode($2::text, 'hex')) THEN 'link'
      WHEN sha256 <> sha256(before || convert_to(id::text || E'\n' || canon, 'UTF8')) THEN 'hash'
      WHEN doc <> canon::jsonb OR event <> doc -> 'event' OR job_id <> (doc ->> 'job')::integer THEN 'text'
    END AS fault
  FROM stretch
)
SELECT count(*)::integer AS entries,
  coalesce((json_agg(json_build_object('id', id, 'fault', fault) ORDER BY id) FILTER (WHERE fault IS NOT NULL)), '[]') AS faults,
  max(id) AS last,
  encode((array_agg(sha256 ORDER BY id DESC))[1], 'hex') AS sha256
FROM walked
