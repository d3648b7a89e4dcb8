# frozen_string_literal: true

require "digest"
require "fileutils"
require "json"
require "tmpdir"

# Worlds that were filled once: a practice world and a desk beside it as folders, made by the first
# test that wants one of the kind and copied by all others. They last as long as the run.
module KeptWorlds
  PLACE = "STEADY_MOVE_KEPT_WORLDS"

  module_function

  # Where kept worlds of this run lie; the process that asks first clears them away at its end.
  def place
    return ENV.fetch(PLACE) if ENV[PLACE]

    shm = File.writable?("/dev/shm") ? "/dev/shm" : nil
    folder = Dir.mktmpdir("steady-move-kept", shm)
    maker = Process.pid
    at_exit { FileUtils.rm_rf(folder) if Process.pid == maker }
    ENV[PLACE] = folder
  end

  # Copies a world of this kind into a folder. kind: whatever tells it from others; the block fills
  # a folder, in a process of its own, whose servers end with it.
  def copy(kind, into:, &fill)
    name = Digest::SHA256.hexdigest(JSON.generate(kind))[0, 16]
    kept = File.join(place, name)
    File.open("#{kept}.lock", "w") do |lock|
      lock.flock(File::LOCK_EX)
      made(kept, &fill) unless File.directory?(kept)
    end
    FileUtils.cp_r(File.join(kept, "."), into)
    # other ports than those of the one that was kept
    FileUtils.rm_f(%w[ports.json endpoints.json].map { |f| File.join(into, "world", f) })
  end

  def made(kept)
    FileUtils.mkdir_p(half = "#{kept}.half")
    pid =
      fork do
        SQLite3::ForkSafety.suppress_warnings! # connections of other worlds end here
        yield half
        $stdout.flush
        exit! 0
      rescue StandardError => e
        warn e.full_message
        exit! 1
      end
    Process.wait(pid)
    raise "the world could not be filled" unless Process.last_status.success?

    File.rename(half, kept)
  end
end
