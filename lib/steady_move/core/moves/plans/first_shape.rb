# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Plans
        # Plans of version 0.1.0: they kept options and ways, and took their steps from the code.
        # The steps stand here as that version had them, so that what was started under it goes on
        # as it was planned. Titles that it kept are left out.
        module FirstShape
          MOMENTS = [5, 30, 300].freeze
          SHOWS = [60, 900, 3600].freeze
          LETTER = [3600, 86_400, 432_000].freeze
          DAY = 86_400

          # id, rail, stage, actor, needs, takes, option, act, place
          ROWS = [
            ["fetch-zone", "records", "Survey", "clock", %w[], MOMENTS, :carry, nil, nil],
            [
              "put-zone",
              "records",
              "Make ready",
              "clock",
              %w[fetch-zone],
              MOMENTS,
              :carry,
              nil,
              nil
            ],
            [
              "compare-hosts",
              "records",
              "Make ready",
              "clock",
              %w[put-zone],
              MOMENTS,
              :carry,
              nil,
              nil
            ],
            [
              "switch-ns",
              "records",
              "Make ready",
              "clock",
              %w[compare-hosts],
              MOMENTS,
              :carry,
              "name_servers",
              "losing"
            ],
            ["ns-shown", "records", "Make ready", "theirs", %w[switch-ns], SHOWS, :carry, nil, nil],
            [
              "ns-settled",
              "records",
              "Make ready",
              "clock",
              %w[ns-shown],
              [0, 0, 0],
              :carry,
              nil,
              nil
            ],
            [
              "consent",
              "registration",
              "Make ready",
              "yours",
              %w[],
              [60, 3600, 172_800],
              :privacy,
              nil,
              nil
            ],
            [
              "identity",
              "registration",
              "Make ready",
              "yours",
              %w[consent ns-settled],
              [60, 3600, 172_800],
              :identity,
              "privacy",
              "service"
            ],
            [
              "privacy-off",
              "registration",
              "Make ready",
              "clock",
              %w[consent identity ns-settled],
              MOMENTS,
              :privacy,
              "privacy",
              "service"
            ],
            [
              "contacts-shown",
              "registration",
              "Make ready",
              "theirs",
              %w[privacy-off],
              SHOWS,
              :privacy,
              nil,
              nil
            ],
            [
              "prove-contact",
              "registration",
              "Make ready",
              "theirs",
              %w[contacts-shown],
              [60, 14_400, 172_800],
              :contact,
              "proof",
              "contact"
            ],
            [
              "unlock",
              "registration",
              "Make ready",
              "clock",
              %w[ns-settled],
              MOMENTS,
              :lock,
              "unlock",
              "losing"
            ],
            [
              "lock-gone",
              "registration",
              "Make ready",
              "theirs",
              %w[unlock],
              SHOWS,
              :lock,
              nil,
              nil
            ],
            [
              "ask-code",
              "registration",
              "Make ready",
              "clock",
              %w[contacts-shown prove-contact ns-settled],
              MOMENTS,
              :ask,
              "code",
              "losing"
            ],
            [
              "get-code",
              "registration",
              "Make ready",
              "clock",
              %w[ask-code ns-settled],
              [1, 5, 60],
              :code,
              nil,
              nil
            ],
            [
              "check-code",
              "registration",
              "Make ready",
              "clock",
              %w[get-code],
              [1, 5, 60],
              :code,
              nil,
              nil
            ],
            [
              "order",
              "registration",
              "Ordered",
              "clock",
              %w[lock-gone check-code contacts-shown prove-contact ns-settled],
              MOMENTS,
              nil,
              nil,
              nil
            ],
            [
              "registry-pending",
              "registration",
              "Ordered",
              "theirs",
              %w[order],
              [300, 900, 3600],
              nil,
              nil,
              nil
            ],
            [
              "release",
              "registration",
              "Release",
              "yours",
              %w[registry-pending],
              [60, 3600, 432_000],
              nil,
              "release",
              "losing"
            ],
            [
              "landed",
              "registration",
              "Landed",
              "theirs",
              %w[release],
              [300, 900, 7200],
              nil,
              nil,
              nil
            ],
            ["lock-back", "registration", "Landed", "clock", %w[landed], MOMENTS, :lock, nil, nil],
            [
              "privacy-back",
              "registration",
              "Landed",
              "yours",
              %w[landed],
              [60, 3600, 86_400],
              :privacy,
              "privacy_back",
              "gaining"
            ],
            [
              "check-landed",
              "registration",
              "Landed",
              "clock",
              %w[lock-back privacy-back landed],
              SHOWS,
              nil,
              nil,
              nil
            ]
          ].freeze
          ENDINGS = [
            [
              "make-safe",
              "registration",
              "Make ready",
              "clock",
              %w[],
              MOMENTS,
              nil,
              "unlock",
              "losing"
            ],
            [
              "privacy-again",
              "registration",
              "Make ready",
              "yours",
              %w[],
              [60, 3600, 86_400],
              nil,
              "privacy",
              "service"
            ]
          ].freeze
          EARLY = "prove-contact"

          module_function

          # stored: Hash with String keys. Returns a frozen Plan; its old_host is nil where only a
          # title was kept.
          def read(stored)
            options = stored["options"].map(&:to_sym)
            plan =
              Plan.put_together(
                **stored.except("words", "version", "options").transform_keys(&:to_sym),
                options: options,
                max_years: 10,
                in_grace: false
              )
            kept = ROWS.select { |row| row[6].nil? || options.include?(row[6]) }
            ids = kept.map(&:first)
            steps = kept.map { |row| step(row, needs(row, ids), plan) }.freeze
            endings = ENDINGS.map { |row| step(row, [], plan) }.freeze
            Plan.new(**plan.to_h, steps: steps, endings: endings).freeze
          end

          # Needs on left-out steps passed on to what those needed, except for the one that began
          # early.
          def needs(row, ids)
            row[0] == EARLY ? row[4] & ids : inherit(row[4], ids)
          end

          def inherit(needs, ids)
            needs.flat_map { |id| ids.include?(id) ? [id] : inherit(ROWS.assoc(id)[4], ids) }.uniq
          end

          def step(row, needs, plan)
            id, rail, stage, actor, _, takes, _, act, place = row
            way = plan.way(act) if act
            by_hand = !way.nil? && way != "connection"
            declared = Steps.find(id) or raise Unreadable, "no step “#{id}” is declared any more"
            declared
              .dup
              .tap do |s|
                s.rail = rail
                s.stage = stage
                s.needs = needs
                s.place = place
                s.way = way
                s.actor = by_hand && actor == "clock" ? "yours" : actor
                s.takes = durations(id, takes, way, by_hand, plan)
              end
              .freeze
          end

          def durations(id, takes, way, by_hand, plan)
            case id
            when "ns-settled"
              [plan.settle_seconds] * 3
            when "release"
              [takes[0], takes[1], plan.response_days * DAY]
            when "ask-code"
              plan.code_takes || hand_takes(takes, way, by_hand)
            else
              hand_takes(takes, way, by_hand)
            end
          end

          def hand_takes(takes, way, by_hand)
            return takes unless by_hand && takes == MOMENTS

            way == "letter" ? LETTER : SHOWS
          end
          private_class_method :needs, :inherit, :step, :durations, :hand_takes
        end
      end
    end
  end
end
