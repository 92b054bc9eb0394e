-- Drafts in hand, last changed first, and how many there are. $1 skipped, $2 most. Many.
SELECT id, (count(*) OVER ())::integer AS total FROM job
WHERE state = 'draft' AND NOT aside ORDER BY changed_at DESC, id DESC OFFSET $1 LIMIT $2
