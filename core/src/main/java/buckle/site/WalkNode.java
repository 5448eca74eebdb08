package buckle.site;

/**
 * A few metres of a walk, averaged; or a standing pause, averaged.
 *
 * @param pause true when the walker stood here
 * @param gapBeforeM length of the lost signal before this node, 0 for none
 */
record WalkNode(PlanePoint at, double heightM, boolean hasHeight, boolean pause, double gapBeforeM) {}
