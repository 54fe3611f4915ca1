// How often what moves is painted anew, in milliseconds.
#pragma once

namespace lariat {

inline constexpr int kScreenFrame = 16; ///< what follows the sound
inline constexpr int kPageFrame = 33;   ///< a whole page that moves slowly
inline constexpr int kBeatFrame = 50;   ///< what follows the beat only

} // namespace lariat
