#include "widgets/jack_state.h"

#include "library/tie.h"

#include <QCoreApplication>
#include <QStringList>

namespace lariat {
namespace {

QString tr(const char* text) {
    return QCoreApplication::translate("lariat", text);
}

} // namespace

JackState jackState(const JackRef& ref, const Patch& patch, const Library& library,
                    const std::vector<NormalInEffect>& normals) {
    const auto name = [&](const JackRef& other) { return QString::fromStdString(tieName(other, patch, library)); };
    const JackInfo* jack = library.jack(patch, ref);
    if (!jack) return {};
    if (!jack->output) {
        if (const Cable* cable = patch.cableInto(ref)) return {QStringLiteral("← ") + name(cable->from), true};
        for (const NormalInEffect& normal : normals)
            if (normal.to == ref) return {tr("free · takes %1").arg(name(normal.from)), false};
        return {tr("free"), false};
    }
    QStringList targets;
    for (const Cable& cable : patch.cables)
        if (cable.from == ref) targets << name(cable.to);
    if (!targets.isEmpty()) return {QStringLiteral("→ ") + targets.join(QStringLiteral(", ")), true};
    return {tr("free"), false};
}

} // namespace lariat
