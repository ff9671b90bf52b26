-- What is looked for in schools with years of log.
create index marks_by_correction on marks (school_id, corrects) where corrects is not null;
create index marks_by_time on marks (school_id, at desc);
create index ladder_rungs_by_revision on ladder_rungs (school_id, revision_id);
create index lineage_by_parent on lineage (school_id, parent_revision_id);
create index blocks_by_drill on blocks (school_id, drill_id);
create index attendance_by_student on attendance (school_id, student_id);
create index pairs_by_a on pairs (school_id, student_a);
create index pairs_by_b on pairs (school_id, student_b);
create index pairs_by_c on pairs (school_id, student_c) where student_c is not null;
create index pairs_by_revision on pairs (school_id, revision_id);
