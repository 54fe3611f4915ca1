// What is in a jack, in words.
#pragma once

#include "engine/graph.h"
#include "library/library.h"

#include <QString>

#include <vector>

namespace lariat {

struct JackState {
    QString text;
    bool used = false;
};

/// "← Follower saw", "→ Filter in 1", "free", "free · takes Contour 1 gate": the last is what a plug would break.
JackState jackState(const JackRef& jack, const Patch& patch, const Library& library,
                    const std::vector<NormalInEffect>& normals);

} // namespace lariat
