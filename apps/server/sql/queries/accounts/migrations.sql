-- How many migrations the schema has had. One.
SELECT count(*)::integer AS count FROM migration
