/** A fence to practise on: as it really stands, with faults that are hidden, and what a meter shows on it. */
@NullMarked
package buckle.practice;

import org.jspecify.annotations.NullMarked;
