-- Days to a destination. $1 name. One or none.
SELECT days FROM destination WHERE name = $1
