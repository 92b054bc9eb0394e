-- The last change of a kind. $1 kind. One.
SELECT coalesce(max(id), 0)::integer AS mark FROM change_record WHERE kind = $1
