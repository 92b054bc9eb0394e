-- The logo of the works. One or none.
SELECT logo FROM works_logo
