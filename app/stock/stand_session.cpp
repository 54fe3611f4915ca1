#include "stock/stand_session.h"

namespace lariat {

StandSession::StandSession(QObject* parent)
    : QObject(parent), document_(Workspace{}), sound_(document_), selection_(document_), checker_(document_, jobs_),
      readings_(document_, sound_), navigator_(document_, selection_), controllers_(document_, sound_),
      gestures_(document_, sound_), session_{document_, sound_,     selection_,   jobs_,    checker_,
                                             readings_, navigator_, controllers_, gestures_} {
    // Libraries of earlier lines go as soon as nobody can be working with them.
    connect(
        &jobs_, &Jobs::changed, this,
        [this] {
            if (jobs_.all().empty()) document_.forgetOldLibraries();
        },
        Qt::QueuedConnection);
}

void StandSession::stand(const ModuleInfo& module, const Library& material, StandView view) {
    const bool same = view == view_ && module.description.id == module_;
    const Stand before{document_.workspace(), document_.patch()};
    view_ = view;
    module_ = module.description.id;
    Stand made = makeStand(module, material, view, same ? &before : nullptr);
    document_.stage(std::move(made.workspace), std::move(made.patch));
}

bool StandSession::wiresChanged(const ModuleInfo& module) const {
    if (view_ != StandView::Behind) return false;
    const auto now = wiresOnStand(document_.patch(), module);
    const auto sorted = [](std::vector<InnerWire> wires) {
        std::ranges::sort(wires, {}, [](const InnerWire& wire) { return std::pair(wire.to, wire.from); });
        return wires;
    };
    for (std::size_t p = 0; p < module.parts.size(); ++p) {
        std::vector<InnerWire> then;
        for (const WireInfo& wire : module.parts[p].wires) {
            const PartBlock& from = module.parts[p].blocks[static_cast<std::size_t>(wire.from.block)];
            const PartBlock& to = module.parts[p].blocks[static_cast<std::size_t>(wire.to.block)];
            then.push_back({from.id + "." + from.type->outputs[static_cast<std::size_t>(wire.from.index)].id,
                            to.id + "." + to.type->inputs[static_cast<std::size_t>(wire.to.index)].id});
        }
        if (sorted(now[p]) != sorted(then)) return true;
    }
    return false;
}

} // namespace lariat
