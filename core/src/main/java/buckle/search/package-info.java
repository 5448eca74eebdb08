/** Where to look and what to test next, when something is hidden in one of many places and every step takes time. */
@NullMarked
package buckle.search;

import org.jspecify.annotations.NullMarked;
