-- Which of these numbers jobs have. $1 numbers, an array of JSON. Many.
SELECT number FROM job WHERE number IN (SELECT jsonb_array_elements_text($1::jsonb))
