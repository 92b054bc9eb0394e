-- Numbers of the jobs begun last, newest first. $1 most. Many.
SELECT number FROM job ORDER BY id DESC LIMIT $1
