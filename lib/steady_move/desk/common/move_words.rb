# frozen_string_literal: true

module SteadyMove
  module Desk
    module Common
      # What is put into the sentences of a move: names of accounts and hosts as they are called
      # now, from the ids that its plan keeps.
      module MoveWords
        module_function

        # plan: Core::Moves::Plan; accounts: Store::Accounts. Returns {name, from, to, old_host,
        # new_host, service, keeper}; a DNS host that is not known is “the present DNS host”.
        def values(plan, accounts)
          from = accounts.find(plan.from)
          {
            name: plan.name,
            from: title(from, plan.from),
            to: whither(plan, accounts),
            old_host: host(accounts, plan.old_host),
            new_host: new_host(accounts, plan.new_host),
            service: service(from),
            keeper: keeper(from, plan),
            renewal: renewal(plan)
          }
        end

        # What a year bought first costs.
        def renewal(plan)
          plan.renewal&.to_s || Words.say(:"common.price_not_known")
        end

        # The gaining side; whoever takes a name that is only made ready.
        def whither(plan, accounts)
          return title(accounts.find(plan.to), plan.to) unless plan.prepare?

          plan.leaves_to || Words.say(:"common.nobody_yet")
        end

        # Who turns the privacy service on and off: the account itself, or a service of its own.
        def keeper(account, plan = nil)
          apart = (plan ? plan.way("privacy") : account&.ways&.fetch("privacy")) == "service"
          (service(account) if apart) || title(account, plan&.from)
        end

        def service(account) = account&.privacy_service&.fetch("title", nil)
        # The present one is never what the new one is called.
        def new_host(accounts, id)
          (id && accounts.host_of(id)&.title) || Words.say(:"common.new_host")
        end
        def title(account, id) = account&.title || id.to_s
        def host(accounts, id)
          (id && accounts.host_of(id)&.title) || Words.say(:"common.present_host")
        end
        private_class_method :new_host, :renewal, :whither, :service, :title, :host
      end
    end
  end
end
