-- in: sheet. out: the draft of it, with who changed it last.
select d.sheet, d.body, d.version, d.based_on, d.imported, d.editor, m.name as editor_name, d.edited_at
from sheet_draft d join membership m on m.shop = d.shop and m.account = d.editor
where d.shop = current_shop() and d.sheet = $1
