-- Hours of the works and their version. One or none.
SELECT body, version FROM floor_hours
