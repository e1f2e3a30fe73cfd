-- Run after the migrations, every time: what the role may do; a backup does not carry it.
grant select, insert, update, delete
  on pieces, sources, earlier_sources, fingerings, edits, students, instruments, labels, handouts, handout_editions, questions,
    courses, course_goals, log_entries, lesson_notes to oculon_teacher;
grant select, update on teachers to oculon_teacher;
