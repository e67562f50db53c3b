-- Why a pack was made with what is not allowed, what of its checklist is done, and what its fonts weigh in the format that browsers take first.
alter table pack add column anyway varchar(2000);
alter table pack add column font_bytes bigint;
alter table pack add column ticked json;
