-- How many jobs there are. One.
SELECT count(*)::integer AS count FROM job
