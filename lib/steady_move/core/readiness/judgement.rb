# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # All that the rules say of one name, over all time: a verdict for any instant; the windows
      # ahead are its outline's.
      class Judgement
        ORDER = { "bar" => 0, "wait" => 1, "fix" => 2, "caution" => 3, "step" => 4 }.freeze

        attr_reader :spans, :family, :facts, :latest_safe_start, :outline

        # spans: [Span]; family: Family or nil; latest_safe_start: seconds or nil.
        def initialize(spans, family, facts, latest_safe_start)
          @spans = spans
          @family = family
          @facts = facts
          @latest_safe_start = latest_safe_start
          @outline = Outline.of(spans)
          freeze
        end

        # at: Time. Returns a Verdict with findings in the order of what to do first.
        def verdict(at)
          gate = outline.gate(at.to_i)
          unknown, hits =
            @spans.select { |s| s.covers?(at.to_i) }.partition { |s| s.effect == "unknown" }
          findings = hits.sort_by { |s| [ORDER.fetch(s.effect), s.to] }.map { |s| finding(s) }
          Verdict.new(
            kind: gate.kind,
            clears_at: instant(gate.clears_at),
            findings: findings,
            at: at,
            unknown:
              unknown.map do |s|
                Unknown.new(
                  rule: s.rule,
                  title: s.entry.title,
                  lacks: s.told[:lacks],
                  find_out: s.entry.find_out,
                  hard: s.entry.hard == true
                )
              end
          )
        end

        private

        def instant(seconds) = seconds && Time.at(seconds).utc

        def finding(span)
          entry = span.entry
          needs = Rules.all[entry.id]&.needs || []
          Finding.new(
            rule: entry.id,
            title: entry.title,
            effect: span.effect,
            because: fill(entry.because, span.told),
            source: entry.source,
            remedy: fill(entry.remedy, span.told),
            clears_at: (instant(span.to) if clears?(span)),
            evidence: needs.flat_map { |k| @facts.about(k) },
            in_move: entry.in_move
          )
        end

        # What ends at the expiry has not cleared by that.
        def clears?(span) = span.to != Rules::EVER && span.told[:clears] != false

        # “{since}” in a rule's text takes the value, “{until}” is given in seconds; instants are
        # left as marks “<2026-…Z>” for the screen to word.
        def fill(text, values)
          text.gsub(/\{(\w+)\}/) do
            key = Regexp.last_match(1).to_sym
            value = key == :until ? instant(values[key]) : values[key]
            value.is_a?(Time) ? "<#{value.strftime("%Y-%m-%dT%H:%M:%SZ")}>" : value.to_s
          end
        end
      end
    end
  end
end
