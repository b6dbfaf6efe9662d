-- in: –. out: every draft of the shop without its body, the last changed first.
select d.sheet, d.revision, d.title, d.maker, d.engine, d.kind, json_build_object('id', d.editor, 'name', m.name) as editor,
  to_json(d.edited_at) as "editedAt", d.version, d.based_on as "basedOn", d.imported, d.errors, d.warnings
from sheet_draft d join membership m on m.shop = d.shop and m.account = d.editor
where d.shop = current_shop()
order by d.edited_at desc, d.sheet
limit 6000
