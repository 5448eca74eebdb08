/** Meters that send by themselves, the simulated one among them, and what is shown of it as it comes. */
@NullMarked
package buckle.server.meter;

import org.jspecify.annotations.NullMarked;
