/** From the laid-out fence to its circuit, and to what that says: voltage, energizer, earth, battery. */
@NullMarked
package buckle.circuit;

import org.jspecify.annotations.NullMarked;
