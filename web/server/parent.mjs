/**
 * Calls back when whoever started this process is gone, however it ended: its channel closes when there is one, and the
 * process gets another parent. Only for processes that are told to end with their parent.
 */
export const whenParentEnds = (ended) => {
  if (process.env.OCULON_ENDS_WITH !== 'parent') return;
  process.on('disconnect', ended);
  const parent = process.ppid;
  const watch = setInterval(() => {
    if (process.ppid === parent) return;
    clearInterval(watch);
    ended();
  }, 500);
  watch.unref();
};
