/** The pulse on any network of wires: what the wires are, what feeds them, and the voltage everywhere. Knows no fence. */
@NullMarked
package buckle.pulse;

import org.jspecify.annotations.NullMarked;
