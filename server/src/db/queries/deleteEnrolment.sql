-- in: device, person. Enrolled again, the secret before no longer counts.
delete from enrolment where shop = current_shop() and device = $1 and account = $2
