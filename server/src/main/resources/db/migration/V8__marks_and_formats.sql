-- What a job of making formats was asked for stands in its name, with the name of an account of up to 80 letters.
alter table scheduled_tasks alter column task_instance set data type varchar(200);
-- Words in a file that say it is a trial, for personal use, or for the desktop only; null until the file was read for them.
alter table face_file add column mark_kind varchar(20);
alter table face_file add column mark_source varchar(200) default '' not null;
alter table face_file add column mark_text varchar(500) default '' not null;
-- What is held twice is settled in one place.
update flag set action = 'SETTLE_DUPLICATE' where action = 'REMOVE_FILE';
-- The flag that a drop is to answer.
alter table intake add column flag_id varchar(20);
-- The tags of the languages that a file covers, each between spaces; null until it was read for them.
alter table face_file add column languages varchar(8000);
-- The file of another family that it is drawn as, where it went in though it was taken for a copy.
alter table face_file add column copy_of varchar(20);
create index face_file_copy on face_file (copy_of);
