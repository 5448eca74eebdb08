/** Earth, battery and sun: plain formulas over plain values. */
@NullMarked
package buckle.power;

import org.jspecify.annotations.NullMarked;
