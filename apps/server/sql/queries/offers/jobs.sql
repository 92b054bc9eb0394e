-- The jobs of the lines of an offer. $1 id. One or none.
SELECT jobs FROM offer WHERE id = $1
