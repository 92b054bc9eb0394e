-- What the works as it is answered is known by. One or none.
SELECT works_mark() AS mark FROM works
