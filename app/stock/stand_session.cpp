#include "stock/stand_session.h"

#include "look/text.h"

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
    Stand made = makeStand(module, material, view, same ? &before : nullptr, inWindow());
    document_.stage(std::move(made.workspace), std::move(made.patch));
}

ModuleDescription StandSession::changed(const ModuleInfo& module) const {
    // What was calibrated there stands in the stand's own library.
    const ModuleInfo* there = document_.library().module(module.description.id);
    const ModuleInfo& now = there ? *there : module;
    return view_ == StandView::Behind ? asOnStand(document_.patch(), now) : now.description;
}

} // namespace lariat
