# frozen_string_literal: true

module Practice
  # The world's clock: set to an instant, it runs at `rate` (1 real time, 0 standing) and can be moved on, never back.
  class Clock
    # real: a callable giving monotonic real seconds, so that tests can hold it.
    def initialize(db, start:, rate:, real: -> { Process.clock_gettime(Process::CLOCK_REALTIME) })
      @settings = db[:settings]
      @real = real
      put("clock", { at: start.to_i, set: @real.call, rate: rate }.to_json) unless get("clock")
    end

    def now
      c = JSON.parse(get("clock"))
      Time.at(c["at"] + ((@real.call - c["set"]) * c["rate"]).floor).utc
    end

    def rate = JSON.parse(get("clock"))["rate"]

    # Moves on to a later instant; an earlier one changes nothing.
    def move_to(time)
      put("clock", { at: [time, now].max.to_i, set: @real.call, rate: rate }.to_json)
    end

    private

    def get(key) = @settings.where(key: key).get(:value)
    def put(key, value) = @settings.insert_conflict(:replace).insert(key: key, value: value)
  end
end
