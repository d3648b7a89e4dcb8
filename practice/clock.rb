# frozen_string_literal: true

module Practice
  # The world's clock: set to an instant, it runs at `rate` (1 real time, 0 standing) and can be
  # moved on, never back. Kept in the database, so that a restart goes on from there.
  class Clock
    # real: a callable giving monotonic real seconds, so that tests can hold it.
    def initialize(db, start:, rate:, real: -> { Process.clock_gettime(Process::CLOCK_REALTIME) })
      @settings = db[:settings]
      @real = real
      kept = @settings.where(key: "clock").get(:value)
      kept ? @set = JSON.parse(kept) : put("at" => start.to_i, "set" => @real.call, "rate" => rate)
    end

    def now
      set = @set
      Time.at(set["at"] + ((@real.call - set["set"]) * set["rate"]).floor).utc
    end

    def rate = @set["rate"]

    # Moves on to a later instant; an earlier one changes nothing.
    def move_to(time)
      put("at" => [time, now].max.to_i, "set" => @real.call, "rate" => rate)
    end

    private

    def put(set)
      @set = set.freeze
      @settings.insert_conflict(:replace).insert(key: "clock", value: set.to_json)
    end
  end
end
