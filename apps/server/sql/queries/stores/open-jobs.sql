-- What every open job needs as it is answered, earliest due first, some hundred jobs to a row. $1 jobs that are finished, as a JSON array; $2 what is said of one that is being reckoned. Many.
SELECT string_agg(line, ',' ORDER BY place) AS answer
FROM (
  SELECT row_number() OVER (ORDER BY j.due NULLS LAST, j.id) AS place,
    concat('{"job":', j.id, ',"number":', to_json(j.number), ',"title":', to_json(j.title), ',"due":', coalesce(to_json(j.due)::text, 'null'), ',',
      coalesce(a.answered, concat('"needs":[],"problems":', jsonb_build_array($2::text))), '}') AS line
  FROM job j
  LEFT JOIN assessment a ON a.job_id = j.id AND a.revision = j.revision
  WHERE NOT j.aside AND j.id NOT IN (SELECT jsonb_array_elements_text($1::jsonb)::integer)
) lines
GROUP BY place / 500
ORDER BY place / 500
