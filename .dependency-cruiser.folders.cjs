const { options } = require("./.dependency-cruiser.cjs");

/** No circle between folders either. Tests may look wherever they like, so they are left out here. */
module.exports = {
  forbidden: [{ name: "no-circles-between-folders", severity: "error", scope: "folder", from: {}, to: { circular: true } }],
  options: { ...options, exclude: { path: "\\.test\\.tsx?$" } },
};
