-- Whether the database answers. One.
SELECT 1 AS alive
