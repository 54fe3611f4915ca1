// Something that is lent to the audio side while that runs, and taken back or exchanged without a lock it could wait
// for: it is the other side that waits, no longer than one use takes.
#pragma once

#include <atomic>
#include <memory>
#include <thread>

namespace lariat {

template <class T> class Lent {
  public:
    /// Takes back what was lent, and lends that instead; nullptr: nothing. From one thread.
    std::unique_ptr<T> exchange(std::unique_ptr<T> next) {
        lent_ = nullptr;
        while (inUse_) std::this_thread::yield();
        std::swap(owned_, next);
        lent_ = owned_.get();
        return next;
    }
    /// For the side that lends.
    [[nodiscard]] T* get() const { return owned_.get(); }

    /// Audio side: `work` is given what is lent just now, if anything. False if nothing was.
    template <class Work> bool use(const Work& work) {
        inUse_ = true;
        T* const now = lent_;
        if (now) work(*now);
        inUse_ = false;
        return now != nullptr;
    }

  private:
    std::unique_ptr<T> owned_;
    std::atomic<T*> lent_{nullptr};
    std::atomic<bool> inUse_{false};
};

} // namespace lariat
