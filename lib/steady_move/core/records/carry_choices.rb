# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # What can be done with name servers and records when a name moves, what each would mean for
      # this name, and which one the desk recommends (common practice; rules of the job §6).
      module CarryChoices
        IDS = %w[keep carry copy later dns_only stay].freeze
        # What is known of a name's records; each is true, false, or nil where it is not known.
        # ends: does the present host's zone end with the registration; same_host: will the
        # destination serve it as well; signed: has it a DS; mail: has it MX; host_known: is it
        # known who runs the present servers; zone: is a copy of the zone held, complete: is that
        # all of it; new_hosts: how many other hosts are known; copies: does the destination copy
        # zones; barred: can the registration not move now; in_bailiwick: are its name servers named
        # under it.
        Facts =
          Struct.new(
            :ends,
            :signed,
            :mail,
            :host_known,
            :zone,
            :complete,
            :new_hosts,
            :copies,
            :gives_servers,
            :barred,
            :in_bailiwick,
            keyword_init: true
          )
        # recommended: is it the desk's; open: can it be done; means: [Phrase]; because: Phrase of
        # the recommendation.
        Choice = Struct.new(:id, :recommended, :open, :means, :because, keyword_init: true)

        module_function

        # Returns [Choice], the recommended one first.
        def offered(facts)
          best, why = recommended(facts)
          IDS
            .map do |id|
              Choice.new(
                id: id,
                recommended: id == best,
                open: open?(id, facts),
                means: means(id, facts),
                because: (why if id == best)
              )
            end
            .sort_by { |c| [c.recommended ? 0 : 1, IDS.index(c.id)] }
        end

        # [id, Phrase]
        def recommended(facts)
          id, why = facts.new_hosts.positive? ? with_hosts(facts) : without_hosts(facts)
          [id, Phrase.of("records.choices.because.#{why}")]
        end

        # Another DNS host is known.
        def with_hosts(facts)
          return %w[dns_only barred_and_ends] if facts.barred && facts.ends
          return "carry", facts.signed ? "ends_signed" : "ends" if facts.ends
          return %w[keep stands_alone] if facts.ends == false

          facts.in_bailiwick ? %w[keep own_servers] : %w[carry host_unknown]
        end

        # None is.
        def without_hosts(facts)
          return facts.copies ? %w[copy copies] : %w[later later] if facts.ends
          return %w[keep stands_alone] if facts.ends == false

          facts.in_bailiwick ? %w[keep own_servers] : %w[stay not_known]
        end

        # Can it be begun as things are?
        def open?(id, facts)
          case id
          when "carry", "dns_only"
            facts.new_hosts.positive?
          when "copy"
            facts.copies != false
          else
            true
          end
        end

        def means(id, facts)
          keys = [
            "base",
            ("ends" if facts.ends),
            ("signed" if facts.signed),
            ("mail" if facts.mail),
            ("own_servers" if facts.in_bailiwick),
            ("no_zone" unless facts.zone),
            ("incomplete" if facts.zone && !facts.complete)
          ].compact
          keys.filter_map do |key|
            MEANS[id].include?(key) ? Phrase.of("records.choices.#{id}.#{key}") : nil
          end
        end

        # Which sentences each choice has; the words stand in the catalogue.
        MEANS = {
          "keep" => %w[base ends signed own_servers],
          "carry" => %w[base signed mail no_zone incomplete own_servers],
          "copy" => %w[base signed mail no_zone],
          "later" => %w[base signed mail no_zone],
          "dns_only" => %w[base signed mail no_zone incomplete],
          "stay" => %w[base ends signed mail]
        }.freeze
        private_class_method :recommended, :with_hosts, :without_hosts, :open?, :means
      end
    end
  end
end
