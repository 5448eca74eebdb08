/** From the built fence to the one that is handed over: the list before power, the measuring round, the yardstick. */
@NullMarked
package buckle.commissioning;

import org.jspecify.annotations.NullMarked;
