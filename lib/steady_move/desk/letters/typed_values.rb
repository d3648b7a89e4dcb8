# frozen_string_literal: true

module SteadyMove
  module Desk
    module Letters
      # What a step by hand has to be given at the registrar: name servers, DS data, half of a code.
      # By the step's traits.
      module TypedValues
        module_function

        # Returns [kind of value, [text]]; kind is nil where nothing is typed.
        def needed(ports, move, step)
          ports = Ports.of(ports)
          return :name_server, servers(ports, move) if step.trait?(:servers)
          return :name_server, move.plan.old_name_servers.to_a if step.trait?(:servers_back)
          return :ds, move.state.told("ds")&.data&.fetch("ds", nil).to_a if step.trait?(:ds_old)
          return :ds, wanted(move, step) if step.trait?(:ds_new)
          return :tag, [tag(ports.accounts.find(move.to_account), move)] if step.trait?(:tag)
          return :half, halves(ports, move) if step.trait?(:types_half)
          return :aim, aims(move.plan).map { |phrase| Words.text(phrase) } if step.trait?(:settings)

          [nil, []]
        end

        # What was ordered that nobody can see from outside, each as a Phrase.
        def aims(plan)
          plan.wanted.hidden.map do |key, value|
            known = Core::Moves::TargetSettings::CHOICES.key?(key.to_s)
            Words.phrase("aims.#{key}", value: known ? Words.phrase("aims.#{value}") : value)
          end
        end

        # Those of the new host as they are known now: some come by mail only after the start.
        def servers(ports, move)
          ports = Ports.of(ports)
          (move.plan.new_host && ports.accounts.host_of(move.plan.new_host)&.name_servers) ||
            move.plan.name_servers.to_a
        end

        # By the newest message of the gaining side's about this move that names any.
        def halves(ports, move)
          theirs =
            ports
              .messages
              .of_move(move.id)
              .select { |m| m.proven? && Common::Parties.both(ports, m.sender, move) == "gaining" }
          theirs.lazy.map { |m| Core::Post::HalfCode.read(m.text) }.find(&:any?).to_a
        end

        # By what the losing side knows whom it hands the name to: within one registrar the other
        # account's sign-in.
        def tag(account, move)
          return account.habits["login"].to_s if move.plan.options.include?(:within)

          account.habits["tag"] || account.registrar
        end

        # As the desk last saw it: nobody who opens a page waits for name servers.
        def wanted(move, step)
          said = move.events.select { |e| e.step == step.id }
          said.filter_map { |e| e.data[Common::Zones::DS_WANTED] }.last.to_a
        end
        private_class_method :servers, :wanted, :halves, :tag
      end
    end
  end
end
