// A value that is shared and never changed, so that copying what holds it costs nothing.
#pragma once

#include <memory>
#include <utility>

namespace lariat {

/// Reads like a `const T`; is compared by what it holds.
template <class T> class Shared {
  public:
    Shared() : value_(std::make_shared<const T>()) {}
    Shared(T value) : value_(std::make_shared<const T>(std::move(value))) {} // NOLINT: as good as the value itself

    const T& operator*() const { return *value_; }
    const T* operator->() const { return value_.get(); }
    operator const T&() const { return *value_; } // NOLINT
    [[nodiscard]] const std::shared_ptr<const T>& pointer() const { return value_; }
    /// Another value: this one as `change(T&)` leaves a copy of it.
    template <class F> [[nodiscard]] Shared with(F&& change) const {
        T copy = *value_;
        change(copy);
        return Shared(std::move(copy));
    }

    friend bool operator==(const Shared& a, const Shared& b) { return a.value_ == b.value_ || *a.value_ == *b.value_; }

  private:
    std::shared_ptr<const T> value_;
};

} // namespace lariat
