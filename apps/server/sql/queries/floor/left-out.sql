-- How many released jobs were due before a day. $1 day. One.
SELECT count(*)::integer AS jobs FROM job WHERE state = 'released' AND NOT aside AND due < $1::text
