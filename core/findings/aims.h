// What moves a control of a block, and by how much: its CV inputs as the block states them beside its jacks.
#pragma once

#include "findings/walk.h"

namespace lariat {

/// A CV input that something is plugged into, aimed at a control.
struct Mover {
    const Way* way = nullptr;
    int amount = -1;      ///< control that scales it; -1: none does
    double perVolt = 0.0; ///< as the amount stands, in octaves or in the control's unit
    bool octaves = false;
};
/// Each input once. What sets the pitch moves a control in hertz an octave a volt.
std::vector<Mover> moversOf(const Walk& walk, int node, int control);

/// The width that a way moves, a control from 0 to 100 per cent at whose ends a wave stands still: it is stated for
/// some of the block's outputs, not for all. -1 if it moves none.
int widthMovedBy(const Walk& walk, const Way& way);

inline constexpr std::size_t kLookEvery = 64; ///< samples
/// What they add to where the control stands, every 64 samples; in octaves or in its unit.
std::vector<double> movedBy(const Walk& walk, const std::vector<Mover>& movers);

} // namespace lariat
