// Inputs and outputs of one post, each with what is in it.
#pragma once

#include "shell/session.h"

#include <QWidget>

namespace lariat {

class JackPanel : public QWidget {
    Q_OBJECT

  public:
    /// `pending` is the jack that waits for its other end, or an empty one.
    JackPanel(const Session& session, const Post& post, const JackRef& pending, QWidget* parent = nullptr);

  Q_SIGNALS:
    void picked(const JackRef& jack);
};

} // namespace lariat
