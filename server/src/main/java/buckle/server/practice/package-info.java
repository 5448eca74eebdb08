/** The trainer: cases on a simulated fence, drills, and what came of them. */
@NullMarked
package buckle.server.practice;

import org.jspecify.annotations.NullMarked;
