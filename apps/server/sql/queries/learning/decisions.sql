-- Up to which entries proposals were taken and refused last. Many.
SELECT norm, taken, max(up_to)::integer AS "upTo" FROM norm_decision GROUP BY norm, taken
