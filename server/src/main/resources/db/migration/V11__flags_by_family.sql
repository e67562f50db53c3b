-- Coverage asks how many flags each of thousands of families has.
create index flag_family_id on flag (family_id);
