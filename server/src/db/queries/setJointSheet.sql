-- in: joint, sheet, revision. A joint that has a run keeps its sheet.
update joint set sheet = $2, revision = $3
where shop = current_shop() and id = $1 and not exists (select from run where run.shop = joint.shop and run.joint = joint.id)
