// The test stand of the module maker: a session of its own, with a patch, a sound and readings apart from the window's.
#pragma once

#include "maker/stand.h"
#include "shell/session.h"

#include <QObject>

namespace lariat {

class StandSession : public QObject {
    Q_OBJECT

  public:
    explicit StandSession(QObject* parent = nullptr);

    [[nodiscard]] const Session& session() const { return session_; }
    /// Puts a module on the stand; what was turned and tied there stays as far as it can.
    void stand(const ModuleInfo& module, const Library& material, StandView view);
    /// The module as it was changed behind the panel; as it is, while its panel is seen.
    [[nodiscard]] ModuleDescription changed(const ModuleInfo& module) const;

  private:
    Document document_;
    Sound sound_;
    Selection selection_;
    Jobs jobs_;
    Checker checker_;
    Readings readings_;
    Navigator navigator_;
    Controllers controllers_;
    Gestures gestures_;
    Session session_;
    StandView view_ = StandView::Panel;
    std::string module_;
};

} // namespace lariat
