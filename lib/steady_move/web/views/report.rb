# frozen_string_literal: true

require "erb"

module SteadyMove
  module Web
    module Views
      # A readiness report to print: each name with its verdict, ruler, reasons and what is not
      # known.
      class Report
        TEMPLATE = ERB.new(File.read(File.join(__dir__, "report.erb")), trim_mode: "-")
        WIDTH = 640

        # judged: [Desk::Portfolio::Judging::Judged]; accounts: {id => account}; gates:
        # Desk::Portfolio::Gates. Returns HTML.
        def self.page(judged, accounts, gates:, at:, now:)
          new(judged, accounts, gates, at, now).page
        end

        def initialize(judged, accounts, gates, at, now)
          @judged = judged
          @gates = gates
          @accounts = accounts
          @at = at
          @now = now
        end

        def page = TEMPLATE.result(binding)

        private

        def h(text) = ERB::Util.html_escape(text.to_s)
        def day(time) = time ? time.utc.strftime("%-d %b %Y") : "not known"
        def moment(time) = time.utc.strftime("%-d %b %Y, %H:%M UTC")

        # Marks of instants in a sentence, worded.
        def sentence(text)
          h(text).gsub(/&lt;(\d{4}-\d\d-\d\dT\d\d:\d\d:\d\dZ)&gt;/) do
            moment(Time.iso8601(Regexp.last_match(1)))
          end
        end

        def gate(judged)
          gate = @gates.of_judged(judged)
          at = gate.clears_at && moment(Time.at(gate.clears_at))
          Words.say(at ? :"gates.wait_until" : :"gates.#{gate.kind}", count: gate.needs, at: at)
        end

        # The ruler's stretches as [class, x, width] in a picture of WIDTH; and x of the expiry.
        def stretches(judged)
          from = @at.to_i
          to = from + Desk::Portfolio::Judging::HORIZON
          outline = judged.judgement.outline
          open = outline.windows(from, to)
          parts = {
            "open" => open,
            "soft" => outline.soft(from, to),
            "closed" => Core::Readiness::Intervals.complement(open, from, to)
          }
          parts.flat_map { |kind, list| list.map { |a, b| [kind, x(a), x(b) - x(a)] } }
        end

        def x(second) =
          ((second - @at.to_i) * WIDTH / Desk::Portfolio::Judging::HORIZON.to_f).round(1)

        def expiry_x(judged)
          expires = judged.facts[:expires_at] or return
          x(expires.to_i).then { |place| place if place.between?(0, WIDTH) }
        end
      end
    end
  end
end
