from yardcliff.cli import main

main()
