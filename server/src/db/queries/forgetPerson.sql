-- in: person. Who has left opens nothing here any more: PIN, shared devices, calendar.
with pins as (delete from pin where shop = current_shop() and account = $1), devices as (delete from enrolment where shop = current_shop() and account = $1)
delete from feed where shop = current_shop() and account = $1
