# frozen_string_literal: true

require "json"

module SteadyMove
  module Desk
    module Operations
      # Tells whoever runs the desk, by mail and by a signed webhook, when something is wrong for
      # longer than was set: work that is overdue, a connection that fails, a backup that was not
      # made, a deadline that comes near. Each is told once, and again after a day if it still
      # stands. What is stuck or comes back goes to the log at once.
      class Alerts
        EVERY = 20
        AGAIN = 86_400
        # Seconds after which a way that failed is tried again.
        PAUSE = 300
        WAYS = %w[mail webhook].freeze
        PLACE = "alert."
        # Seconds, where the configuration sets no others.
        CONNECTION = 3600
        DEADLINE = 4 * 3600

        # key: by which it is told once.
        Alert = Struct.new(:key, :says, keyword_init: true)

        def initialize(ports, runner)
          @ports = Ports.of(ports)
          @health = Health.new(@ports, runner)
          @known = {}
          @pauses = {}
        end

        # news: called with a level and a sentence for the log.
        def on_news(&news) = @news = news

        # Is it time to look, also where the clock was set back?
        def due?
          return false if @news.nil? && !wanted?

          @due_at.nil? || @ports.now >= @due_at || @ports.now < @due_at - EVERY
        end

        # Returns how many alerts went out, by each way.
        def tell
          @due_at = @ports.now + EVERY
          checks = @health.checks
          log(checks)
          return 0 unless wanted?

          standing = standing(checks)
          over(standing)
          WAYS.sum { |way| wanted?(way) ? tell_by(way, standing) : 0 }
        end

        # Sends a trial by each way that is set. Returns {way => nil, or what hindered it}; empty
        # where nobody would be told of anything.
        def try
          trial = [Alert.new(key: "trial", says: Words.say(:"health.trial"))]
          WAYS
            .select { |way| wanted?(way) }
            .to_h do |way|
              send(way, trial)
              [way, nil]
            rescue Wire::Error => e
              [way, e.says]
            end
        end

        # [Alert]: what is wrong for longer than was set.
        def standing(checks = @health.checks)
          lasting(checks) + deadlines
        end

        private

        def told(level, says) = @news&.call(level, says)
        def settings = @ports.config.alerts

        def wanted?(way = nil)
          ways = { "mail" => settings["to"].to_a.any?, "webhook" => settings.key?("webhook") }
          way ? ways.fetch(way) : ways.value?(true)
        end

        # What changed since the last look, in either direction.
        def log(checks)
          now = checks.to_h { |c| [c.id, c.well] }
          checks.each do |c|
            told("warn", "#{c.title}: #{c.says}") if c.well == false && @known[c.id] != false
            told("info", "#{c.title}: #{c.says}") if c.well && @known[c.id] == false
          end
          (@known.keys - now.keys).each do |id|
            told("info", Words.say(:"health.over", id: id)) unless @known[id]
          end
          @known = now
        end

        def lasting(checks)
          checks
            .reject { |c| c.well != false || (c.id.start_with?("connection ") && !long_enough?(c)) }
            .map { |c| Alert.new(key: c.id, says: "#{c.title}: #{c.says}") }
        end

        def long_enough?(check)
          check.since && @ports.now - check.since >= (settings["connection"] || CONNECTION)
        end

        # Approvals that wait for somebody here and whose deadline comes near.
        def deadlines
          near = @ports.now + (settings["deadline"] || DEADLINE)
          Moves::Approvals
            .new(@ports)
            .due
            .flat_map(&:items)
            .select { |i| i.ends&.between?(@ports.now, near) && !i.approved }
            .map do |i|
              says =
                Words.say(:"health.deadline", name: i.name, says: i.says, at: Words.moment(i.ends))
              Alert.new(key: "deadline #{i.move_id} #{i.step}", says: says)
            end
        end

        # Each way is told of a thing once, whatever becomes of the other; one that failed is tried
        # again after a pause.
        def tell_by(way, standing)
          return 0 if @ports.now < @pauses.fetch(way, @ports.now)

          fresh = standing.reject { |a| told_lately?(way, a.key) }
          return 0 if fresh.empty?

          send(way, fresh)
          fresh.each { |a| @ports.system_state[place(way, a.key)] = @ports.now.to_i }
          fresh.size
        rescue Wire::Error => e
          @pauses[way] = @ports.now + PAUSE
          told("error", Words.say(:"health.not_told", says: e.says))
          0
        end

        def place(way, key) = "#{PLACE}#{way} #{key}"

        def told_lately?(way, key)
          at = @ports.system_state[place(way, key)]
          at && @ports.now.to_i.between?(at, at + AGAIN)
        end

        # What is over may be told anew when it comes again.
        def over(standing)
          kept = WAYS.product(standing.map(&:key)).map { |way, key| "#{way} #{key}" }
          (@ports.system_state.under(PLACE).keys - kept).each do |key|
            @ports.system_state.delete("#{PLACE}#{key}")
          end
        end

        def mail(alerts)
          raise Wire::Unreachable, Words.say(:"health.no_sender") unless @ports.sender

          Common::OwnMail.send_out(
            @ports,
            to: settings["to"],
            subject: Words.say(:"health.subject", count: alerts.size, says: alerts.first.says),
            text: [
              *alerts.map(&:says),
              Words.say(:"health.foot", address: @ports.address.to_s)
            ].join("\n\n")
          )
        end

        def webhook(alerts)
          url = settings["webhook"]
          body =
            JSON.generate(
              at: @ports.now.iso8601,
              alerts: alerts.map { |a| { key: a.key, says: a.says } }
            )
          headers =
            Wire::Http::Signature.headers(
              url,
              body,
              secret: settings["secret"].to_s,
              created: @ports.now,
              key_id: "alerts"
            )
          status = Wire::Http::Hook.post(url, body, headers, inside: true)
          unless status.between?(200, 299)
            raise Wire::Unreachable, Words.say(:"health.answered", status: status)
          end
        end
      end
    end
  end
end
