-- What the proposals hang on: outcomes, norms, decisions, and the works as it is written. One.
SELECT concat_ws(' ',
  (SELECT count(*) FROM job_outcome), (SELECT max(up_to) FROM job_outcome), (SELECT sum(up_to) FROM job_outcome),
  (SELECT max(id) FROM norm_decision), (SELECT w.xmin::text FROM works w)
) AS stamp
