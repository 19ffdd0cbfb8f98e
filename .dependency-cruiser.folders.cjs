/** No circle between folders either. Tests may look wherever they like, so they are left out here. */
module.exports = {
  extends: "./.dependency-cruiser.cjs",
  forbidden: [{ name: "no-circles-between-folders", severity: "error", scope: "folder", from: {}, to: { circular: true } }],
  options: { exclude: { path: "\\.test\\.tsx?$" } },
};
