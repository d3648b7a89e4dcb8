# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # What holds for a family of suffixes. code: needed, none or registry; lock: yes or none;
      # approval: registry, mail, none or push; code_days: how long a code lives; response_days:
      # silence until it counts as approval; withheld: facts that its registry shows to nobody, as
      # names;
      # presence: what papers are wanted, or nil; move_hours: [least, usual, most] of a whole move;
      # sources: where single values come from, else source; not_known: values, and rules, of which
      # nobody knows how the registry has them: what stands there is a guess that nothing relies on.
      Family =
        Struct.new(
          :id,
          :title,
          :suffixes,
          :rules,
          :lines,
          :code,
          :code_days,
          :lock,
          :approval,
          :years_added,
          :max_years,
          :response_days,
          :auto_renew_grace_days,
          :presence,
          :move_hours,
          :source,
          :sources,
          :overrides,
          :withheld,
          :not_known,
          keyword_init: true
        ) do
          # What may be overruled for one suffix.
          def self.open_values
            %w[
              code
              code_days
              lock
              approval
              years_added
              max_years
              response_days
              auto_renew_grace_days
              presence
            ]
          end

          # What an override may change: these, and how a family of one's own is called.
          def self.overruled_values = open_values + %w[title]

          # Seconds: the last instant to start a move before expiry, expiry − the whole move's P90 −
          # 3 days (common practice).
          def latest_start(expiry) = expiry - @late_by

          # P90 of a whole move in seconds.
          def p90 = Forecast::Triangular.quantile(*move_hours, 0.9).*(3600).ceil

          # [[Entry, Rule, its asked, its first need, its other needs or nil, does a rule rest on
          # it]] in the order in which they are judged. Rules that only look at the destination or
          # at what a person found out hold for every family.
          def judged_by = @judged_by
          def source_of(value) = (sources || {}).fetch(value, source)

          # The same for one suffix alone.
          def at(suffix) = self.class.build(**to_h, suffixes: [suffix], id: suffix)
          def without(suffix)
            if suffixes.include?(suffix)
              self.class.build(**to_h, suffixes: suffixes - [suffix])
            else
              self
            end
          end

          # With one value overruled.
          def overruled(override, **changed)
            self.class.build(
              **to_h,
              overrides: (overrides || []) + [override],
              sources: (sources || {}).merge(override.key => override.source),
              not_known: (not_known || []) - [override.key],
              **changed
            )
          end

          # lines: {id => Rulebook::Entry} of all rules as they hold here.
          def self.build(**values)
            new(**values).tap(&:prepare).freeze
          end

          # Works out once what every judgement asks for.
          def prepare
            @late_by = p90 + (3 * 86_400)
            all = Rules.all
            order = all.keys
            watched = all.values.flat_map(&:rests_on)
            @judged_by =
              rules
                .sort_by { |id| order.index(id) }
                .map do |id|
                  rule = all.fetch(id)
                  need, *more = rule.needs
                  [
                    line(id, rule),
                    rule,
                    rule.asked,
                    need,
                    more.any? ? more : nil,
                    watched.include?(id)
                  ].freeze
                end
                .freeze
          end

          # What no registry shows can't be asked for before a name is ready.
          def line(id, rule)
            entry = lines.fetch(id)
            asked_in_vain =
              entry.hard && rule.needs.any? { |key| (withheld || []).include?(key.to_s) }
            asked_in_vain ? entry.dup.tap { |e| e.hard = false }.freeze : entry
          end
        end
    end
  end
end
