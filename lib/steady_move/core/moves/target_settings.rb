# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # What shall hold after a move, beside registrar and expiry: lock and auto_renew (“on”, “off”,
      # “any”), privacy (“on”, “off”, “as_before”), contacts (“carry”, or the title of a profile at
      # the gaining side), years (1–10). A destination has its own; a batch and a name may differ
      # from them.
      TargetSettings =
        Struct.new(:lock, :auto_renew, :privacy, :contacts, :years, keyword_init: true) do
          # given: Hashes with String keys, the later one rules; unknown keys are left out. Returns
          # TargetSettings.
          #   Moves::TargetSettings.of({ "lock" => "off" }, { "years" => 2 }).to_h.values_at(:lock, :years)
          #     # => ["off", 2]
          def self.of(*given)
            told =
              given
                .compact
                .reduce({}) { |all, more| all.merge(more.compact) }
                .transform_keys(&:to_sym)
            new(**self::USUAL, **told.slice(*members))
          end

          def lock? = lock == "on"
          # Shall a privacy service stand in afterwards? before: did one until now?
          def privacy?(before) = privacy == "on" || (privacy == "as_before" && before)
          def profile = contacts == "carry" ? nil : contacts

          # What nobody outside can see: [[what, wanted]].
          def hidden
            [
              ([:auto_renew, auto_renew] unless auto_renew == "any"),
              ([:profile, profile] if profile)
            ].compact
          end

          def to_plan = to_h.transform_keys(&:to_s)
        end

      TargetSettings::CHOICES = {
        "lock" => %w[on off],
        "auto_renew" => %w[on off any],
        "privacy" => %w[on off as_before]
      }.freeze
      TargetSettings::USUAL = {
        lock: "on",
        auto_renew: "any",
        privacy: "as_before",
        contacts: "carry",
        years: 1
      }.freeze
    end
  end
end
