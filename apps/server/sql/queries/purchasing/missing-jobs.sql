-- Which of these are no jobs. $1 jobs as a JSON array. Many.
SELECT asked.value::integer AS id FROM jsonb_array_elements_text($1::jsonb) asked
WHERE NOT EXISTS (SELECT 1 FROM job WHERE job.id = asked.value::integer)
