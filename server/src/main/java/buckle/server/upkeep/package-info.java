/** The log of faults, trends and the rounds that are due. */
@NullMarked
package buckle.server.upkeep;

import org.jspecify.annotations.NullMarked;
