-- Takes the logo of the works away. None.
DELETE FROM works_logo
