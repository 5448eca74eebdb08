/** Meters that send by themselves, the simulated one among them. */
@NullMarked
package buckle.server.meter;

import org.jspecify.annotations.NullMarked;
