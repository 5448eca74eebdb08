/** Open pages are told of what is stored for the job they show, by whomever. */
@NullMarked
package buckle.server.live;

import org.jspecify.annotations.NullMarked;
