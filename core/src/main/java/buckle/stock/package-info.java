/** What lies in the yard, what goes on the truck, and what came back. */
@NullMarked
package buckle.stock;

import org.jspecify.annotations.NullMarked;
