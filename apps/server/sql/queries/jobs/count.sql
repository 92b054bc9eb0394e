-- How many jobs hold all patterns. $1 patterns as a JSON array. One.
SELECT count(*)::integer AS count FROM job j WHERE j.words LIKE ALL (ARRAY(SELECT jsonb_array_elements_text($1::jsonb)))
